import Button from '@mui/material/Button';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { PictureKind } from '@/ui/picture/take';

/** What of a sheet can be had as a picture, by the name it bears for readers of screens. */
const PARTS = { Stave: ', stave', Chart: ', chart', Strip: ', strip' } as const;
type Part = keyof typeof PARTS;
const KINDS: PictureKind[] = ['svg', 'png'];

const drawnAs = (part: Part): HTMLElement[] => [
  ...document.querySelectorAll<HTMLElement>(`[data-sheet] [role="group"][aria-label$="${PARTS[part]}"]`),
];

/** The staves of a sheet, or its strips, as a picture: lines to be drawn on with, or dots for any program. */
export function PictureMenu() {
  const [menu, setMenu] = useState<{ at: HTMLElement; parts: Part[] }>();
  const [say, setSay] = useState<string>();
  const take = async (part: Part, kind: PictureKind) => {
    setMenu(undefined);
    setSay(undefined);
    try {
      const { takePicture } = await import('@/ui/picture/take');
      await takePicture(drawnAs(part), document.querySelector('[data-sheet] h1')?.textContent ?? part, kind);
    } catch (error) {
      setSay((error as Error).message);
    }
  };
  return (
    <>
      {say && (
        <Typography role="alert" color="error" sx={{ alignSelf: 'center' }}>
          {say}
        </Typography>
      )}
      <Button
        aria-haspopup="menu"
        onClick={({ currentTarget }) => {
          const parts = (Object.keys(PARTS) as Part[]).filter((part) => drawnAs(part).length);
          setMenu({ at: currentTarget, parts });
        }}
      >
        Picture
      </Button>
      <Menu anchorEl={menu?.at} open={Boolean(menu)} onClose={() => setMenu(undefined)}>
        {menu?.parts.flatMap((part) =>
          KINDS.map((kind) => (
            <MenuItem key={`${part} ${kind}`} onClick={() => void take(part, kind)}>
              {part} as {kind.toUpperCase()}
            </MenuItem>
          )),
        )}
        {menu?.parts.length === 0 && <MenuItem disabled>Nothing is drawn on this sheet</MenuItem>}
      </Menu>
    </>
  );
}
