import Box from '@mui/material/Box';
import { useEffect, useRef, useState } from 'react';

/** Files that are dropped anywhere on the page; while some are held over it, it says so. */
export function DropOn({ onFiles }: { onFiles: (files: readonly File[]) => void }) {
  const [isOver, setOver] = useState(false);
  const latest = useRef(onFiles);
  useEffect(() => {
    latest.current = onFiles;
  });
  useEffect(() => {
    const hasFiles = (event: DragEvent) => event.dataTransfer?.types.includes('Files') ?? false;
    const over = (event: DragEvent) => {
      if (!hasFiles(event)) return;
      event.preventDefault();
      setOver(true);
    };
    const leave = (event: DragEvent) => event.relatedTarget === null && setOver(false);
    const drop = (event: DragEvent) => {
      if (!hasFiles(event)) return;
      event.preventDefault();
      setOver(false);
      latest.current([...(event.dataTransfer?.files ?? [])]);
    };
    window.addEventListener('dragover', over);
    window.addEventListener('dragleave', leave);
    window.addEventListener('drop', drop);
    return () => {
      window.removeEventListener('dragover', over);
      window.removeEventListener('dragleave', leave);
      window.removeEventListener('drop', drop);
    };
  }, []);
  if (!isOver) return null;
  return (
    <Box
      sx={{
        position: 'fixed',
        inset: 12,
        zIndex: 50,
        border: '3px dashed',
        borderColor: 'secondary.main',
        borderRadius: 3,
        display: 'grid',
        placeItems: 'center',
        bgcolor: 'background.paper',
        opacity: 0.92,
        fontSize: 24,
        fontWeight: 650,
        pointerEvents: 'none',
      }}
    >
      Let go to read the grooves in these files
    </Box>
  );
}
