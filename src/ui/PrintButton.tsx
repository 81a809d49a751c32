'use client';

import Button from '@mui/material/Button';
import { useEffect } from 'react';

/** Prints the page as it stands; paper is light, whatever the screen is. */
export function PrintButton() {
  useEffect(() => {
    const root = document.documentElement.classList;
    let wasDark = false;
    const before = () => {
      wasDark = root.contains('dark');
      if (wasDark) root.replace('dark', 'light');
    };
    const after = () => void (wasDark && root.replace('light', 'dark'));
    window.addEventListener('beforeprint', before);
    window.addEventListener('afterprint', after);
    return () => {
      window.removeEventListener('beforeprint', before);
      window.removeEventListener('afterprint', after);
    };
  }, []);
  return (
    <Button variant="outlined" className="no-print" onClick={() => window.print()}>
      Print
    </Button>
  );
}
