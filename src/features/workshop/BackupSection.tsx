import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { BackupField } from './BackupField';
import { RestoreBackup } from './RestoreBackup';
import type { SectionProps } from './WorkshopPage';

/** The workshop as one file, out and in; and when a new one is wanted. */
export function BackupSection({ last, ...section }: SectionProps & { last: Date | null }) {
  return (
    <Box sx={{ display: 'grid', gap: 2.5, justifyItems: 'start' }}>
      <Button component="a" variant="outlined" href="/api/workshop/backup" download>
        Take it as one file
      </Button>
      <BackupField {...section} last={last} />
      <RestoreBackup clock={section.settings} />
    </Box>
  );
}
