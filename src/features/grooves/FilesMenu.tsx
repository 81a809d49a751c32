import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { GROOVE_FILE_NAMES, GROOVE_FILES } from '@/core/format/grooveFileKinds';
import { MOST_ZIPPED } from '@/core/limits';
import { plural } from '@/ui/words/text';

/** The grooves that are shown as files, all in one zip. */
export function FilesMenu({ ids }: { ids: readonly string[] }) {
  const [menu, setMenu] = useState<HTMLElement | null>(null);
  const taken = ids.slice(0, MOST_ZIPPED);
  const asked = new URLSearchParams(taken.map((id) => ['id', id]));
  return (
    <>
      <Button aria-haspopup="menu" onClick={(event) => setMenu(event.currentTarget)}>
        As files
      </Button>
      <Menu anchorEl={menu} open={Boolean(menu)} onClose={() => setMenu(null)}>
        {GROOVE_FILE_NAMES.map((file) => (
          <MenuItem
            key={file}
            component="a"
            href={`/files/grooves?format=${file}&${asked}`}
            download
            onClick={() => setMenu(null)}
          >
            {plural(taken.length, 'groove')}: {GROOVE_FILES[file].words}, in a zip
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
