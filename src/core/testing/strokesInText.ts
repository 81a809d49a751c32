import type { Groove } from '../groove/groove';
import { format } from '../time/fraction';

/** Strokes of each bar as text, in an order of their own, so that two grooves can be compared. */
export const strokesInText = ({ bars }: Groove): string[][] =>
  bars.map(({ strokes }) =>
    strokes
      .map(
        ({ limb, surface, at, height, ornament = 'plain' }) => `${format(at)} ${limb} ${surface} ${height} ${ornament}`,
      )
      .toSorted(),
  );
