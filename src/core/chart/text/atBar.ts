import type { ChartForm, ChartSection, Marks } from '../../documents/chart';
import { fail, ok, problemAt, type Result } from '../../result';
import { marksTyped } from './chartInWords';
import { readChartText } from './chartText';

/** Where a written bar stands in a form: among the bars of a section, or of one of its endings. */
interface BarPlace {
  at: Record<string, Marks> | undefined;
  number: number;
  set: (at: Record<string, Marks> | undefined) => void;
}

/** The bars of a form in the order they are written, each with how its marks are set. */
function* places(sections: readonly ChartSection[]): Generator<BarPlace> {
  for (const section of sections) {
    yield* section.parts ? places(section.parts) : ofBars(section, section.bars ?? 0);
    for (const ending of section.endings ?? []) yield* ofBars(ending, ending.bars);
  }
}

function* ofBars(owner: { at?: Record<string, Marks> }, bars: number): Generator<BarPlace> {
  for (let number = 1; number <= bars; number++)
    yield {
      at: owner.at,
      number,
      set: (at) => {
        if (at) owner.at = at;
        else delete owner.at;
      },
    };
}

const placeOf = (form: ChartForm, written: number): BarPlace | undefined => {
  let index = 0;
  for (const place of places(form.sections)) if (index++ === written) return place;
  return undefined;
};

/** What stands over a written bar, from 0, as it is typed: "hits: 1, let of 2, p". */
export function barTyped(form: ChartForm, written: number): string {
  const place = placeOf(form, written);
  return marksTyped(place?.at?.[place.number] ?? {}).join(', ');
}

/**
 * The form with what is typed over one written bar, in place of what stood there. Problems where it is not
 * understood.
 */
export function withBarTyped(form: ChartForm, written: number, typed: string): Result<ChartForm> {
  const read = typed.trim() ? readChartText(`bar 1, ${typed}`) : undefined;
  if (read && !read.ok) return fail(read.problems[0]);
  const [bar, ...more] = read?.value.sections ?? [];
  if (more.length || bar?.times !== undefined || bar?.endings || bar?.parts)
    return fail(
      problemAt(
        'bar',
        'not-of-a-bar',
        'This is more than stands over one bar.',
        'Say what holds in it, like p or hits: 2, & of 4.',
      ),
    );
  const after = structuredClone(form);
  const place = placeOf(after, written);
  if (!place) return fail(problemAt('bar', 'no-such-bar', 'There is no such bar.', 'Choose one that is there.'));
  const { [place.number]: _, ...others } = place.at ?? {};
  const marks = bar?.at?.['1'];
  const at = { ...others, ...(marks && { [place.number]: marks }) };
  place.set(Object.keys(at).length ? at : undefined);
  return ok(after);
}
