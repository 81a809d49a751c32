'use client';

import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Link from 'next/link';
import { memo, useState } from 'react';
import { GROOVE_FILE_NAMES, GROOVE_FILES } from '@/core/format/grooveFileKinds';

/** The groove as it is saved, as a file for another program or for another Mochila. */
export const FileMenu = memo(function FileMenu({ id }: { id: string }) {
  const [menu, setMenu] = useState<HTMLElement | null>(null);
  return (
    <>
      <Button variant="text" aria-haspopup="menu" onClick={(event) => setMenu(event.currentTarget)}>
        As a file
      </Button>
      <Menu anchorEl={menu} open={Boolean(menu)} onClose={() => setMenu(null)}>
        <MenuItem component={Link} href={`/handout/${id}`} onClick={() => setMenu(null)}>
          Handout, on paper or as PDF
        </MenuItem>
        {GROOVE_FILE_NAMES.map((file) => (
          <MenuItem
            key={file}
            component="a"
            href={`/files/grooves/${id}/${file}`}
            download
            onClick={() => setMenu(null)}
          >
            {GROOVE_FILES[file].words}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
});
