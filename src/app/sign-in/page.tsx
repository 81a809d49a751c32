import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { redirect } from 'next/navigation';
import { DemoDoor } from '@/features/door/DemoDoor';
import { DoorFrame } from '@/features/door/DoorFrame';
import { SignInForm } from '@/features/door/SignInForm';
import { doorState } from '@/server/door';
import { person } from '@/server/session';

export const metadata = { title: 'Sign in' };

export default async function SignInPage() {
  if (await person()) redirect('/today');
  const { hasWorkshop, demoPeople } = await doorState();
  if (!hasWorkshop) redirect('/set-up');
  if (!demoPeople.length)
    return (
      <DoorFrame title="Sign in">
        <SignInForm />
      </DoorFrame>
    );
  return (
    <DoorFrame title="Come in as">
      <DemoDoor people={demoPeople} />
      <Box sx={{ mt: 3, borderTop: 1, borderColor: 'divider', pt: 2 }}>
        <Typography variant="body2" color="textSecondary">
          A demo workshop with made-up people: Boathouse Percussion at the Lindmark ferry landing. Whatever you play
          here is kept, as it would be in your own.
        </Typography>
      </Box>
    </DoorFrame>
  );
}
