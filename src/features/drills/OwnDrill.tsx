import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import type { School } from '@/core/counting/schools';
import type { Rule } from '@/core/documents/rule';
import { GROOVE_FILE_NAMES, GROOVE_FILES } from '@/core/format/grooveFileKinds';
import { sentence } from '@/core/result';
import type { KeptDrill } from '@/server/drills';
import { DownloadMenu } from '@/ui/DownloadMenu';
import { DeleteOutlineRounded } from '@/ui/icons';
import { ShelfEntry } from './ShelfEntry';

interface OwnDrillProps {
  drill: KeptDrill;
  school: School;
  onChoose: (rule: Rule) => void;
  onDrop: () => void;
}

/** A drill of the workshop on the shelf: opened, taken as a file, or taken off. */
export function OwnDrill({ drill: { id, name, tags, rule }, school, onChoose, onDrop }: OwnDrillProps) {
  return (
    <Box sx={{ display: 'flex', alignItems: 'start' }}>
      {rule.ok ? (
        <ShelfEntry name={name} note={tags.join(', ')} rule={rule.value} school={school} onChoose={onChoose} />
      ) : (
        <Typography variant="body2" color="error" sx={{ flex: 1, px: 1, overflowWrap: 'anywhere' }}>
          {name} cannot be read. {sentence({ ...rule.problems[0]!, where: '' })}
        </Typography>
      )}
      <Box sx={{ flex: 'none', display: 'grid', justifyItems: 'end' }}>
        <IconButton aria-label={`Take ${name} off the shelf`} onClick={onDrop} sx={{ width: 44, height: 44 }}>
          <DeleteOutlineRounded />
        </IconButton>
        {rule.ok && (
          <DownloadMenu
            label="As a file"
            files={GROOVE_FILE_NAMES.map((file) => ({
              words: file === 'json' ? GROOVE_FILES[file].words : `Its exercises: ${GROOVE_FILES[file].words}`,
              href: `/files/drills/${id}/${file}`,
            }))}
          />
        )}
      </Box>
    </Box>
  );
}
