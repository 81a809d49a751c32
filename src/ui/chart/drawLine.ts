import {
  Articulation,
  Beam,
  Dot,
  Formatter,
  ModifierPosition,
  MultiMeasureRest,
  type Note,
  Renderer,
  RepeatNote,
  Stave,
  StaveNote,
  Tuplet,
  Voice,
} from 'vexflow/bravura';
import type { EngravedBar } from '@/core/chart/play/engraved';
import { countsOf } from '@/core/grid/meter';
import { cellsFor } from '@/core/groove/place';
import { writtenBar, type WrittenNote } from '@/core/groove/notation';
import { equal } from '@/core/time/fraction';
import { copyLightly } from '../stave/lightCopies';
import type { DrawnBar } from './drawn';
import { writeWords } from './drawWords';
import type { ChartLine } from './layout';

copyLightly();

/** Room of clef and meter at the beginning of a chart, and of a meter that changes. */
const CLEF_ROOM = 40;
const METER_ROOM = 30;

export interface LineOptions {
  width: number;
  /** Bars to a full line: a line with fewer is no wider for it. */
  perLine: number;
  /** The first line of the chart has the clef. */
  clef: boolean;
}

/** Draws a line of a chart into an empty element, and says where its bars are. */
export function drawLine(into: HTMLElement, line: ChartLine, { width, perLine, clef }: LineOptions): DrawnBar[] {
  into.replaceChildren();
  const renderer = new Renderer(into as HTMLDivElement, Renderer.Backends.SVG);
  renderer.resize(width, line.height);
  const context = renderer.getContext();
  const extra = (bar: EngravedBar, index: number) =>
    (clef && index === 0 ? CLEF_ROOM : 0) + (bar.isMeterShown ? METER_ROOM : 0);
  const room = Math.floor((width - 2 - line.bars.reduce((sum, bar, index) => sum + extra(bar, index), 0)) / perLine);
  let left = 1;
  const drawn = line.bars.map((bar, index): DrawnBar => {
    const own = room + extra(bar, index);
    const stave = new Stave(left, line.staveAt, own, { spaceAboveStaffLn: 0 });
    if (clef && index === 0) stave.addClef('percussion');
    if (bar.isMeterShown) stave.addTimeSignature(`${bar.meter.beats}/${bar.meter.unit}`);
    const plainBegin = index === 0 ? SINGLE : NONE;
    const plainEnd = bar.isLast ? END : SINGLE;
    stave.setBegBarType(bar.isRepeatBegun ? REPEAT_BEGIN : plainBegin);
    stave.setEndBarType(bar.times > 1 ? REPEAT_END : plainEnd);
    stave.setContext(context).draw();
    fill(bar, stave, context);
    const [from, to] = [stave.getNoteStartX() + 8, left + own - (bar.times > 1 ? 16 : 8)];
    const one = { bar, left, width: own, xAt: (share: number) => from + share * (to - from) };
    left += own;
    return one;
  });
  writeWords(into.querySelector('svg')!, drawn, line.staveAt);
  return drawn;
}

const SINGLE = 1;
const END = 3;
const REPEAT_BEGIN = 4;
const REPEAT_END = 5;
const NONE = 7;

type Context = ReturnType<Renderer['getContext']>;

/** What is played in a bar: rest, repeat, or slashes with its hits over them. */
function fill(bar: EngravedBar, stave: Stave, context: Context): void {
  if (bar.bars > 1) {
    new MultiMeasureRest(bar.bars, { numberOfMeasures: bar.bars, useSymbols: false })
      .setStave(stave)
      .setContext(context)
      .draw();
    return;
  }
  const voices = underHits(bar).map((notes) => voiceOf(notes));
  const hits = bar.hits.length && !bar.same ? hitsOver(bar) : undefined;
  if (hits) voices.push(hits.voice);
  if (!voices.length) return;
  for (const note of hits?.notes ?? []) note.setStave(stave);
  new Formatter().joinVoices(voices).formatToStave(voices, stave);
  for (const voice of voices) voice.draw(context, stave);
  for (const note of hits?.notes ?? []) if (note.isRest()) note.getSVGElement()?.remove();
  for (const each of [...(hits?.beams ?? []), ...(hits?.tuplets ?? [])]) {
    if (each instanceof Beam) each.postFormat();
    each.setContext(context).draw();
  }
}

/** What stands in a bar beside its hits: what is repeated, a rest, or slashes; nothing where there is no pulse. */
function underHits(bar: EngravedBar): Note[][] {
  if (bar.same) return bar.same.isFirst ? [[repeated(bar.same.bars)]] : [];
  if (bar.free === 'free') return [];
  return [bar.isRest ? [wholeRest()] : slashes(bar)];
}

const voiceOf = (notes: Note[]) => new Voice().setMode(Voice.Mode.SOFT).addTickables(notes);

const wholeRest = () => new StaveNote({ keys: ['d/5'], duration: '1r', alignCenter: true });

/** One, two or four bars before it again. */
const repeated = (bars: number) =>
  new RepeatNote(bars >= 4 ? '4' : String(Math.min(2, bars)), { alignCenter: true } as never);

/** Time goes on: a slash to each count. */
function slashes({ meter }: EngravedBar): StaveNote[] {
  // In 6/8 and the like a slash to each dotted pulse, as a player feels them.
  const counts = countsOf(meter, 'pulse');
  return counts.map(({ length }) => {
    const isDotted = length.n === 3;
    const note = new StaveNote({
      keys: ['b/4'],
      duration: `${isDotted ? length.d / 2 : length.d}s`,
      dots: isDotted ? 1 : 0,
      autoStem: false,
    });
    // Slashes without stems: how time is kept is the player's.
    return Object.assign(note, { drawStem: () => note, drawFlag: () => {} });
  });
}

/** The hits of a bar as notes over the stave; the rests between them only space them. */
function hitsOver(bar: EngravedBar) {
  const places = bar.hits.map(({ written }) => written);
  const cells = cellsFor(bar.meter, 'numbers', places);
  if (!cells) return undefined;
  const strokes = places.map((at) => ({ limb: 'right hand', surface: 'snare', at, height: 'tap' }) as const);
  const { hands } = writtenBar({ meter: bar.meter, cells, strokes: [...strokes] }, 'numbers');
  const notes = hands.notes.map((note) => hitNote(note, bar));
  const beams = [...new Set(hands.notes.map(({ beam }) => beam))].flatMap((number) => {
    const inside = notes.filter((note, index) => hands.notes[index]!.beam === number && !note.isRest());
    return number === undefined || inside.length < 2 ? [] : [new Beam(inside)];
  });
  const tuplets = hands.tuplets.map(({ notes: numNotes, inTimeOf: notesOccupied }, number) => {
    const inside = notes.filter((_, index) => hands.notes[index]!.tuplet === number);
    return new Tuplet(inside, { numNotes, notesOccupied, location: 1, bracketed: true, ratioed: false });
  });
  return { notes, beams, tuplets, voice: voiceOf(notes) };
}

function hitNote({ value, dots, strokes, at }: WrittenNote, { hits }: EngravedBar): StaveNote {
  const duration = `${value}${strokes.length ? '' : 'r'}`;
  const note = new StaveNote({ keys: ['a/5'], duration, dots, stemDirection: 1, autoStem: false });
  if (!strokes.length) return note;
  if (dots) Dot.buildAndAttach([note], { all: true });
  const length = hits.find(({ written }) => equal(written, at))?.length;
  if (length)
    note.addModifier(new Articulation(length === 'short' ? 'a.' : 'a-').setPosition(ModifierPosition.BELOW), 0);
  return note;
}
