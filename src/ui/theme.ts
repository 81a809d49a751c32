'use client';

import { createTheme } from '@mui/material/styles';
import NextLink from 'next/link';

/** Cotton paper, indigo ink, and a thread a limb; the practice room's dark is ink with paper on it. */
export interface Cloth {
  /** The two shades that mark the counts of a strip. */
  countShade: string;
  countShadeAlternate: string;
  /** The band around a stroke in which nobody hears an error. */
  unheard: string;
  playhead: string;
  rightHand: string;
  leftHand: string;
  rightFoot: string;
  leftFoot: string;
}

declare module '@mui/material/styles' {
  interface Palette {
    cloth: Cloth;
  }
  interface PaletteOptions {
    cloth: Cloth;
  }
}

const FIGURES = '"Bricolage Grotesque Variable", sans-serif';
const TEXT = '"Figtree Variable", sans-serif';

export const theme = createTheme({
  cssVariables: { colorSchemeSelector: 'class' },
  colorSchemes: {
    light: {
      palette: {
        primary: { main: '#22263a', contrastText: '#fbf8f1' },
        secondary: { main: '#8a5a12' },
        error: { main: '#9d2138' },
        success: { main: '#2a6a4b' },
        info: { main: '#2c5c8f' },
        warning: { main: '#8a5a12' },
        background: { default: '#faf6ee', paper: '#fffdf8' },
        text: { primary: '#22263a', secondary: '#5c5a68' },
        divider: '#d9cdb2',
        cloth: {
          countShade: '#ebe0cc',
          countShadeAlternate: '#f3ebda',
          unheard: '#c9d8c6',
          playhead: '#22263a',
          rightHand: '#a93249',
          leftHand: '#2c5c8f',
          rightFoot: '#8a5a12',
          leftFoot: '#2c6b4f',
        },
      },
    },
    dark: {
      palette: {
        primary: { main: '#f0e8d6', contrastText: '#1a1d2c' },
        secondary: { main: '#e2ad5c' },
        error: { main: '#f08a9c' },
        success: { main: '#7fc6a1' },
        info: { main: '#86b6ea' },
        warning: { main: '#e2ad5c' },
        background: { default: '#171a27', paper: '#1f2333' },
        text: { primary: '#f4eee0', secondary: '#b7b3bd' },
        divider: '#3b4056',
        cloth: {
          countShade: '#242940',
          countShadeAlternate: '#1e2236',
          unheard: '#33503f',
          playhead: '#f4eee0',
          rightHand: '#f0869a',
          leftHand: '#86b6ea',
          rightFoot: '#e2ad5c',
          leftFoot: '#7fc6a1',
        },
      },
    },
  },
  shape: { borderRadius: 8 },
  typography: {
    fontFamily: TEXT,
    h1: { fontFamily: FIGURES, fontWeight: 700, fontSize: '1.5rem', lineHeight: 1.2 },
    h2: { fontFamily: FIGURES, fontWeight: 650, fontSize: '1.125rem', lineHeight: 1.3 },
    h3: { fontFamily: FIGURES, fontWeight: 650, fontSize: '1rem', lineHeight: 1.3 },
    button: { textTransform: 'none', fontWeight: 600 },
  },
  components: {
    // Whatever is reached by keys shows that it is: one ring, everywhere.
    MuiCssBaseline: {
      styleOverrides: (theme) => ({
        ':focus-visible, .Mui-focusVisible': {
          outline: `3px solid ${theme.vars.palette.secondary.main} !important`,
          outlineOffset: '2px',
        },
        // On paper there is nothing to press, and what the green band means has to be seen.
        '@media print': {
          '.no-print, .fold:not([open])': { display: 'none !important' },
          svg: { printColorAdjust: 'exact' },
          'section, figure': { breakInside: 'avoid' },
        },
        // A list or a field says it by its frame.
        '.MuiInputBase-input:focus-visible, [role="combobox"]:focus-visible, [role="menu"]:focus-visible, [role="listbox"]:focus-visible':
          { outline: 'none !important' },
        '.MuiOutlinedInput-root:has(:focus-visible) .MuiOutlinedInput-notchedOutline': {
          // Its frame leaves room for the label, which an outline would cross.
          borderColor: `${theme.vars.palette.secondary.main} !important`,
          borderWidth: '3px !important',
        },
        // The box of a switch lies under it, out of sight.
        '.MuiSwitch-root:has(:focus-visible)': {
          outline: `3px solid ${theme.vars.palette.secondary.main}`,
          borderRadius: '20px',
        },
      }),
    },
    MuiButton: { defaultProps: { disableElevation: true } },
    // Whatever has an href is followed without loading the page anew.
    MuiButtonBase: { defaultProps: { disableRipple: true, LinkComponent: NextLink } },
    // As high as what stands beside it, and a finger wide.
    MuiOutlinedInput: { styleOverrides: { root: { minHeight: 44 } } },
    MuiTextField: { defaultProps: { size: 'small', fullWidth: true } },
    MuiLink: { defaultProps: { underline: 'always', component: NextLink } },
    MuiTableCell: { styleOverrides: { head: { fontWeight: 600, whiteSpace: 'nowrap' } } },
  },
});

/** The family of big figures: counts and tempos. */
export const FIGURE_FONT = FIGURES;
