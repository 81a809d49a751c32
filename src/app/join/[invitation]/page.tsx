import Typography from '@mui/material/Typography';
import { DoorFrame } from '@/features/door/DoorFrame';
import { JoinForm } from '@/features/door/JoinForm';
import { invitedBy } from '@/server/door';

export const metadata = { title: 'Come in' };

/** Where an invitation leads. Looking at it uses nothing up: many programs look at a link before a person does. */
export default async function JoinPage({ params }: { params: Promise<{ invitation: string }> }) {
  const { invitation } = await params;
  const invited = await invitedBy(invitation);
  if (!invited)
    return (
      <DoorFrame title="This invitation holds no more">
        <Typography>
          It was used already, taken back, or is older than a week. Ask your teacher for another one; whoever has a
          password signs in as usual.
        </Typography>
      </DoorFrame>
    );
  return (
    <DoorFrame title={invited.has_password ? `A new password, ${invited.name}` : `Come in to ${invited.workshop}`}>
      <JoinForm
        invitation={invitation}
        invited={{ name: invited.name, signInName: invited.sign_in_name, isBack: invited.has_password }}
      />
    </DoorFrame>
  );
}
