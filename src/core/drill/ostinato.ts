import { tokensOf } from '../count/words';
import type { FreeStroke } from '../groove/place';
import { type Limb, type Surface } from '../groove/limbs';
import { usualLimb, USUAL_SURFACES } from '../groove/limbs';
import { fail, ok, type Result } from '../result';
import { add, less, ZERO } from '../time/fraction';
import { barLength, type Meter } from '../grid/meter';
import { NOTE_VALUES } from '../time/noteValue';

/** Reads what the other limbs keep repeating: "hat 8ths, kick quarters". Each line is a limb or surface and a note value. */
export function readOstinato(text: string, meter: Meter): Result<FreeStroke[]> {
  const strokes: FreeStroke[] = [];
  for (const line of text.split(/[,;]/).map((each) => each.trim())) {
    if (!line) continue;
    const wrong = (code: string, say: string, remedy: string) =>
      fail({ code, path: ['ostinato'], where: `“${line}”`, say, remedy });
    let limb: Limb | undefined;
    let surface: Surface | undefined;
    let value: keyof typeof NOTE_VALUES | undefined;
    for (const token of tokensOf(line)) {
      if (token.kind === 'limb') limb = token.limb;
      else if (token.kind === 'surface') surface = token.surface;
      else if (token.kind === 'value') value = token.value;
      else if (token.kind !== 'filler')
        return wrong(
          'unknown-word',
          `“${token.text}” is no limb, surface or note value.`,
          'Say it like “hat 8ths, kick quarters”.',
        );
    }
    limb ??= surface && usualLimb(surface);
    if (!limb) return wrong('no-limb', 'It does not say what plays.', 'Begin with a surface or limb, like “hat 8ths”.');
    if (!value)
      return wrong('no-value', 'It does not say in which notes.', 'Add a note value: quarters, 8ths, triplets, 16ths.');
    if (strokes.some((other) => other.limb === limb))
      return wrong('limb-taken', `The ${limb} plays already.`, 'Give each limb one line.');
    const end = barLength(meter);
    for (let at = ZERO; less(at, end); at = add(at, NOTE_VALUES[value]))
      strokes.push({ limb, surface: surface ?? USUAL_SURFACES[limb], at, height: 'tap' });
  }
  return ok(strokes);
}
