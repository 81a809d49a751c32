import Button from '@mui/material/Button';
import { EmptyState } from '@/ui/EmptyState';
import { Page } from '@/ui/Page';

export default function NotFound() {
  return (
    <Page title="Not found">
      <EmptyState
        title="There is nothing here"
        action={
          <Button href="/today" variant="contained">
            Go to Today
          </Button>
        }
      >
        The address may be mistyped, or what stood here is not yours to see.
      </EmptyState>
    </Page>
  );
}
