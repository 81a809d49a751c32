import type { Groove } from '@/core/groove/groove';
import type { Level } from '@/core/limits';
import { FILLS } from './shelf/fills';
import { ODD } from './shelf/odd';
import { SIXTEENTHS } from './shelf/sixteenths';
import { STRAIGHT } from './shelf/straight';
import { SWUNG } from './shelf/swung';
import { grooveOf } from './shelf/writtenDown';

/** The grooves of the demo workshop, which also start the shelf of a new one. */
export const STARTER_GROOVES: { groove: Groove; level: Level; tags: string[] }[] = [
  ...STRAIGHT,
  ...SIXTEENTHS,
  ...SWUNG,
  ...ODD,
  ...FILLS,
].map((written) => ({
  groove: grooveOf(written),
  level: written.level,
  tags: written.tags,
}));
