import Box from '@mui/material/Box';
import GlobalStyles from '@mui/material/GlobalStyles';
import type { ReactNode } from 'react';
import { useWidth } from '@/ui/strip/useWidth';
import { MARGIN_MM, PAPER_MM, type Paper as PaperName } from './options';

interface PaperProps {
  paper: PaperName;
  large?: boolean;
  /** Lanes and words in black alone. */
  black?: boolean;
  children: ReactNode;
}

const TEXT_FONT = '"Figtree Variable", sans-serif';
const LIMB_COLOURS = ['rightHand', 'leftHand', 'rightFoot', 'leftFoot'] as const;

/** The theme's colours for a printer that has black alone. */
const BLACK_ALONE: Record<string, string> = {
  color: '#000',
  '--mui-palette-text-primary': '#000',
  '--mui-palette-text-secondary': '#000',
  '--mui-palette-cloth-countShade': '#eee',
  '--mui-palette-cloth-countShadeAlternate': '#fff',
  ...Object.fromEntries(LIMB_COLOURS.map((limb) => [`--mui-palette-cloth-${limb}`, '#000'])),
};

/** CSS pixels in a millimetre. */
const PX_A_MM = 96 / 25.4;

/**
 * A sheet of paper, as wide on the screen as it is printed, or smaller where the screen is narrower: light in every
 * theme.
 */
export function Paper({ paper, large = false, black = false, children }: PaperProps) {
  const { width, height } = PAPER_MM[paper];
  const [frame, frameWidth = Infinity] = useWidth<HTMLDivElement>();
  return (
    <>
      <GlobalStyles
        styles={{
          '@page': {
            size: paper,
            margin: `${MARGIN_MM}mm`,
            '@bottom-right': { content: 'counter(page) " of " counter(pages)', fontSize: '9pt', fontFamily: TEXT_FONT },
          },
          '@media print': { 'html, body': { background: 'none !important' } },
        }}
      />
      <div ref={frame} />
      <Box
        component="main"
        data-sheet=""
        className="light"
        sx={{
          width: `${width - 2 * MARGIN_MM}mm`,
          minHeight: `${height - 2 * MARGIN_MM}mm`,
          boxSizing: 'content-box',
          p: `${MARGIN_MM}mm`,
          mx: 'auto',
          my: 3,
          bgcolor: '#fff',
          color: '#22263a',
          boxShadow: 3,
          fontSize: large ? '1.3rem' : undefined,
          ...(black && BLACK_ALONE),
          '@media screen': { zoom: Math.min(1, frameWidth / (width * PX_A_MM)) },
          '@media print': { p: 0, m: 0, minHeight: 0, boxShadow: 'none' },
        }}
      >
        {children}
      </Box>
    </>
  );
}
