'use client';

import Button from '@mui/material/Button';
import { EmptyState } from '@/ui/EmptyState';
import { Page } from '@/ui/Page';

export default function WorkshopError({ reset }: { reset: () => void }) {
  return (
    <Page title="That did not work">
      <EmptyState
        title="The workshop did not answer"
        action={
          <Button onClick={reset} variant="contained">
            Try again
          </Button>
        }
      >
        Nothing that was kept is lost, and takes that were not sent yet wait in this browser. Try again in a moment; if
        it stays so, tell whoever runs this Mochila.
      </EmptyState>
    </Page>
  );
}
