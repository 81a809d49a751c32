import { usualLimb } from '../../groove/limbs';
import { barLength, parseMeter, type Meter } from '../../grid/meter';
import type { Bar, Groove, Stroke } from '../../groove/groove';
import { FASTEST, MOST_BARS, MOST_HITS, MOST_TITLE, SLOWEST } from '../../limits';
import { fail, problem, type Result } from '../../result';
import { add, frac, less, toNumber, ZERO, type WholeNotes } from '../../time/fraction';
import type { Swing } from '../../time/swing';
import { asRead, Asker, LeftOut, limbFor, UNTITLED, type Answers, type GrooveRead } from '../imported/grooveRead';
import { gridOf, strokesByBar, swingOf, type FileBar } from './midiGrid';
import { midiEvents, type MidiEvents } from './midiFile';
import { heightsOf, surfacesOf, withoutGraces, type Note } from './midiNotes';
import { SWING_TEXT } from './midiOut';

/** The drum channel (General MIDI, 1991), counted from 0. */
const DRUMS = 9;
/** So many bars of a file are looked at. */
const MOST_READ = 4 * MOST_BARS;
/** Meters that are offered where a file names none. */
const METERS = ['4/4', '3/4', '2/4', '5/4', '6/8', '7/8', '9/8', '12/8'] as const;

const refuse = (code: string, say: string, remedy: string) => fail(problem(code, say, remedy));

/**
 * A groove from a Standard MIDI File: its bars from the first that is struck on, on the grid that holds every stroke
 * exactly, or where it was played and not written on the nearest. Soft strokes just before others on the same surface
 * are graces; limbs are those that usually play a surface. What was left out or moved is told in words; what the file
 * leaves open (notes nobody knows, its meter, swing, grid and graces, the bars of a long one) is asked, and goes by
 * `answers`.
 */
export function readMidiGroove(bytes: Uint8Array, answers: Answers = {}): Result<GrooveRead> {
  const file = midiEvents(bytes);
  if (!file.ok) return file;
  const { header, events, notes, channel } = file.value;
  const { ticksPerBeat } = header;
  if (!ticksPerBeat)
    return refuse('frames', 'It counts frames and no beats, so it has no bars.', 'Save it with a tempo.');
  if (!notes.length) return refuse('empty', 'There is no note in this MIDI file.', 'Choose one with a drum part.');
  if (notes.length > MOST_HITS)
    return refuse(
      'too-many-notes',
      `It has ${notes.length.toLocaleString('en')} notes, more than a groove of ${MOST_BARS} bars needs.`,
      'Save the bars that are wanted by themselves.',
    );
  const placeOf = (tick: number): WholeNotes => frac(tick, 4 * ticksPerBeat);
  const left = new LeftOut();
  const asker = new Asker(answers);

  const tempos = events.filter(({ type, microsecondsPerBeat }) => type === 'setTempo' && microsecondsPerBeat);
  const quarterMs = (tempos[0]?.microsecondsPerBeat ?? 500_000) / 1000;
  const changed = tempos.filter(
    ({ microsecondsPerBeat }) => microsecondsPerBeat !== tempos[0]!.microsecondsPerBeat,
  ).length;
  if (changed) left.leave('tempo change', changed);

  const surfaces = surfacesOf(notes, channel === DRUMS, asker, left);
  const known = notes.flatMap(({ tick, noteNumber, velocity }): Note[] => {
    const surface = surfaces.get(noteNumber);
    return surface ? [{ at: placeOf(tick), surface, velocity }] : [];
  });
  const struck = withoutGraces(known, (length) => toNumber(length) * 4 * quarterMs, asker);
  if (!struck.length)
    return refuse('empty', 'No note in it is struck on a surface of a kit.', 'Choose one with a drum part.');

  const all = barsOver(metersOf(events, placeOf, asker), struck.at(-1)!.at);
  const first = all.findIndex(({ start, meter }) => less(struck[0]!.at, add(start, barLength(meter))));
  if (first < 0)
    return refuse('far', 'Its first stroke comes after hundreds of empty bars.', 'Save it from the bar it begins in.');
  const bars = chosenBars(all, first, asker, left);

  const own = strokesByBar(bars, struck);
  const tempo = tempoOf(quarterMs, bars[0]!.meter);
  const heights = heightsOf(struck);
  const played = swingOf(own, saidSwing(events), tempo, asker);
  const groove: Groove = {
    version: 1,
    title: titleFrom(events.find(({ type, text }) => type === 'trackName' && text)?.text) || UNTITLED,
    reading: 'numbers',
    tempo,
    ...(played && { swing: played.swing }),
    bars: gridOf(own, played, asker, left).map(({ meter, cells, placed }): Bar => {
      const strokes: Stroke[] = [];
      for (const { at, note } of placed) {
        const limb = limbFor(usualLimb(note.surface), at, strokes);
        if (!limb) left.leave('stroke that no limb is free for');
        else
          strokes.push({
            limb,
            surface: note.surface,
            at,
            height: heights(note),
            ...(note.ornament && { ornament: note.ornament }),
          });
      }
      return { meter, cells, strokes };
    }),
  };
  return asRead(groove, left, asker.questions);
}

interface MeterFrom {
  at: WholeNotes;
  meter: Meter;
}

/** The meters of a file, each from where it holds; asked where it names none. */
function metersOf(events: MidiEvents['events'], placeOf: (tick: number) => WholeNotes, asker: Asker): MeterFrom[] {
  const meters = events.flatMap(({ type, tick, numerator, denominator }) => {
    const read = type === 'timeSignature' ? parseMeter(`${String(numerator)}/${String(denominator)}`) : undefined;
    return read?.ok ? [{ at: placeOf(tick), meter: read.value }] : [];
  });
  if (meters.length) return meters;
  const taken = asker.ask(
    'meter',
    'It names no meter',
    METERS.map((meter) => [meter, meter] as const),
    '4/4',
  );
  const read = parseMeter(taken);
  return read.ok ? [{ at: ZERO, meter: read.value }] : [];
}

/** The bars that are read of all: from the first that is struck on, or where there are too many, from one asked for. */
function chosenBars(all: readonly FileBar[], first: number, asker: Asker, left: LeftOut): FileBar[] {
  if (first) left.leave('empty bar before the first stroke', first);
  const many = all.length - first;
  if (many <= MOST_BARS) return all.slice(first);
  const starts = Array.from({ length: Math.ceil(many / MOST_BARS) }, (_, index) => String(1 + index * MOST_BARS));
  const taken = asker.ask(
    'from',
    `It has ${many} bars${all.length === MOST_READ ? ' or more' : ''}, ${MOST_BARS} are read`,
    starts.map((start): [string, string] => [start, `From bar ${start}`]),
    '1',
  );
  const from = first + Number(taken) - 1;
  const bars = all.slice(from, from + MOST_BARS);
  left.leave(`bar beyond the ${MOST_BARS} that are read`, many - bars.length);
  return bars;
}

/** How a file of ours says that it is swung. */
function saidSwing(events: MidiEvents['events']): Swing | undefined {
  for (const { type, text } of events) {
    const said = type === 'text' && typeof text === 'string' ? SWING_TEXT.read(text) : undefined;
    if (said) return said;
  }
  return undefined;
}

/** The name of a track is written a byte a letter: as UTF-8 where it is. */
function titleFrom(name: unknown): string {
  if (typeof name !== 'string') return '';
  const bytes = Uint8Array.from(name, (letter) => letter.charCodeAt(0) & 0xff);
  return new TextDecoder().decode(bytes).replace(/\p{C}/gu, ' ').trim().slice(0, MOST_TITLE);
}

const tempoOf = (quarterMs: number, { unit }: Meter): number => {
  const tempo = Math.round((60_000 / quarterMs) * (unit / 4) * 1000) / 1000;
  // A tempo is written in whole microseconds a quarter: what is nearer to a whole number than that is one.
  const whole = Math.round(tempo);
  return Math.min(FASTEST, Math.max(SLOWEST, Math.abs(tempo - whole) < 0.002 * (unit / 4) ? whole : tempo));
};

/** The bars of a file up to the one in which the last stroke falls; a meter holds from the next bar line on. */
function barsOver(meters: readonly MeterFrom[], last: WholeNotes): FileBar[] {
  const bars: FileBar[] = [];
  let start: WholeNotes = ZERO;
  let meter: Meter = { beats: 4, unit: 4 };
  let next = 0;
  while (!less(last, start) && bars.length < MOST_READ) {
    for (; meters[next] && !less(start, meters[next]!.at); next++) meter = meters[next]!.meter;
    bars.push({ start, meter });
    start = add(start, barLength(meter));
  }
  return bars;
}
