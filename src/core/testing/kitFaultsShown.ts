import type { FaultName } from '../documents/verdict';
import { setOrnament } from '../groove/edit';
import type { Groove } from '../groove/groove';
import type { KitFault } from '../simulate/kitFaults';
import { exact } from '../time/fraction';
import { oneLine, together } from './arbitrary';
import { JUDGED_GROOVES } from './judgedGrooves';

export const backbeat = together(
  oneLine('AtAtAtAt', 'right hand', 80),
  oneLine('..A...A.', 'left hand'),
  oneLine('A..tA...', 'right foot'),
);

const withFlams = ['1/4', '3/4'].reduce(
  (groove, at) => setOrnament(groove, { bar: 0, limb: 'left hand', at: exact(at) }, 'flam'),
  together(oneLine('A.......', 'right hand', 80), oneLine('..A...A.', 'left hand'), oneLine('A..tA...', 'right foot')),
);

const withDoubles = ['0', '1/4', '1/2', '3/4'].reduce(
  (groove, at) => setOrnament(groove, { bar: 0, limb: 'right hand', at: exact(at) }, 'double'),
  oneLine('t.t.t.t.', 'right hand', 72),
);
const [rates] = JUDGED_GROOVES;
const offAndOn = together(oneLine('tttttttttttttttt', 'right hand', 80), oneLine('A..AA.tA.A..A...', 'right foot'));

/** What the verdict says of each fault of the simulated kit, and on which groove: the backbeat, where none is named. */
export const KIT_FAULTS_SHOWN: Record<KitFault, [about: FaultName, groove?: Groove]> = {
  steady: ['clean'],
  late: ['behind or ahead'],
  early: ['behind or ahead'],
  uneven: ['spread'],
  rushing: ['drift'],
  dragging: ['drift'],
  'rushing in phrases': ['phrase'],
  'half a count late': ['shifted'],
  'late off-beats': ['off-beats'],
  'late foot': ['limb'],
  'early left hand': ['limb'],
  'one late place': ['place'],
  'uneven foot': ['limb uneven'],
  'swing too straight': ['swing', { ...backbeat, swing: { value: '8th', ratio: '2' } }],
  'early after a change of rate': ['switch', rates],
  missing: ['missed'],
  'foot left out': ['missed'],
  'a bar left out': ['bars left out'],
  'foot a slot late': ['displaced', offAndOn],
  'extra strokes': ['extra'],
  'flat flams': ['flam', withFlams],
  'wide flams': ['flam', withFlams],
  'late second strokes': ['doubles', withDoubles],
  'weak second strokes': ['doubles', withDoubles],
  'hands and foot apart': ['apart', together(oneLine('t.t.t.t.', 'right hand', 80), oneLine('tt.tt.tt', 'right foot'))],
  'weak accents': ['accents', JUDGED_GROOVES.at(-1)],
  'loudness wanders': ['loudness'],
};
