import Typography from '@mui/material/Typography';
import { redirect } from 'next/navigation';
import { DoorFrame } from '@/features/door/DoorFrame';
import { SetUpForm } from '@/features/door/SetUpForm';
import { doorState } from '@/server/door';

export const metadata = { title: 'Set up' };

export default async function SetUpPage() {
  if ((await doorState()).hasWorkshop) redirect('/sign-in');
  return (
    <DoorFrame title="Set up your workshop">
      <Typography color="textSecondary" sx={{ mb: 3 }}>
        You are the first here, so you become its teacher. Students are added by you afterwards.
      </Typography>
      <SetUpForm />
    </DoorFrame>
  );
}
