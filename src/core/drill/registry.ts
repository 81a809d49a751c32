import type { Family } from './family';
import { accents } from './families/accents';
import { between } from './families/between';
import { buildUp } from './families/buildUp';
import { chosenList } from './families/chosenList';
import { compound } from './families/compound';
import { displacement } from './families/displacement';
import { flamsAndDrags } from './families/flamsAndDrags';
import { hardBar } from './families/hardBar';
import { oddMeters } from './families/oddMeters';
import { overlay } from './families/overlay';
import { pairs } from './families/pairs';
import { placement } from './families/placement';
import { rates } from './families/rates';
import { reRate } from './families/reRate';
import { rolls } from './families/rolls';
import { sticking } from './families/sticking';
import { straightToTriplet } from './families/straightToTriplet';

/** Every family, in the order it is offered. */
export const FAMILIES = [
  placement,
  between,
  pairs,
  displacement,
  accents,
  rates,
  reRate,
  straightToTriplet,
  rolls,
  flamsAndDrags,
  overlay,
  sticking,
  compound,
  buildUp,
  hardBar,
  oddMeters,
  chosenList,
] as unknown as readonly Family[];

export const familyNamed = (name: string): Family | undefined => FAMILIES.find((one) => one.name === name);
