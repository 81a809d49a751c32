'use client';

import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Link from 'next/link';
import { useState } from 'react';

interface DownloadMenuProps {
  /** "As a file". */
  label: string;
  /** Each as it is called; `isPage` where it is opened and not taken. */
  files: readonly { words: string; href: string; isPage?: boolean }[];
}

/** What can be taken from here as a file, in a menu. */
export function DownloadMenu({ label, files }: DownloadMenuProps) {
  const [menu, setMenu] = useState<HTMLElement | null>(null);
  const close = () => setMenu(null);
  return (
    <>
      <Button
        variant="text"
        aria-haspopup="menu"
        className="no-print"
        onClick={(event) => setMenu(event.currentTarget)}
      >
        {label}
      </Button>
      <Menu anchorEl={menu} open={Boolean(menu)} onClose={close}>
        {files.map(({ words, href, isPage }) => (
          <MenuItem
            key={href}
            href={href}
            onClick={close}
            {...(isPage ? { component: Link } : { component: 'a', download: true })}
          >
            {words}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}
