import { cellsFor } from '../../groove/place';
import type { Bar, Groove, Stroke } from '../../groove/groove';
import { LIMBS, SURFACES, usualLimb, type Ornament, type Surface } from '../../groove/limbs';
import { isCompound, parseMeter, type Meter } from '../../grid/meter';
import { FASTEST, MOST_BARS, MOST_TITLE, SLOWEST } from '../../limits';
import type { Result } from '../../result';
import {
  add,
  div,
  format,
  frac,
  fromDecimal,
  mul,
  sub,
  toNumber,
  ZERO,
  type Fraction,
  type WholeNotes,
} from '../../time/fraction';
import type { Swing } from '../../time/swing';
import { surfaceWritten } from '../midi/drumNotes';
import { asRead, LeftOut, limbFor, UNTITLED, type GrooveRead } from '../imported/grooveRead';
import { NOTE_TYPES, STAFF_PLACES } from './musicXml';
import {
  attribute,
  child,
  children,
  inner,
  nameOf,
  numberOf,
  refuse,
  scoreOf,
  textOf,
  type Node,
} from './musicXmlTree';

/** What the instruments of a part are struck on, by their ids: as their notes are common, else by their names. */
function instrumentsOf(list: Node | undefined, id: string | undefined): Map<string, Surface> {
  const part = children(list, 'score-part').find((one) => attribute(one, 'id') === id);
  const found = new Map<string, Surface>();
  for (const one of children(part, 'score-instrument')) {
    const named = textOf(child(one, 'instrument-name')).toLowerCase();
    const surface = SURFACES.find((each) => each === named);
    if (surface) found.set(attribute(one, 'id') ?? '', surface);
  }
  for (const one of children(part, 'midi-instrument')) {
    const key = attribute(one, 'id') ?? '';
    const note = numberOf(child(one, 'midi-unpitched'));
    const surface = note === undefined ? undefined : surfaceWritten(note - 1);
    if (surface && !found.has(key)) found.set(key, surface);
  }
  return found;
}

/** A note by where it stands on the lines, and by its head. */
function surfaceByPlace(note: Node): Surface | undefined {
  const at = child(note, 'unpitched');
  const [step, octave] = [textOf(child(at, 'display-step')), numberOf(child(at, 'display-octave'))];
  const head = textOf(child(note, 'notehead')) || undefined;
  const here = SURFACES.filter((one) => STAFF_PLACES[one][0] === step && STAFF_PLACES[one][1] === octave);
  return here.find((one) => STAFF_PLACES[one][2] === (head === 'normal' ? undefined : head)) ?? here[0];
}

interface Head {
  title: string;
  /** Quarters a minute. */
  quarters?: number;
  isInDotted: boolean;
  swing?: Swing;
}

/** Reads the part of a score, measure by measure. */
class PartReader {
  readonly bars: { meter: Meter; strokes: Stroke[] }[] = [];
  readonly head: Head = { title: '', isInDotted: false };
  readonly left = new LeftOut();
  #divisions = 1;
  #meter: Meter = { beats: 4, unit: 4 };
  /** Graces that were read, by voice, each by what it is struck on. */
  readonly #graces = new Map<string, (Surface | undefined)[]>();

  constructor(private readonly instruments: ReadonlyMap<string, Surface>) {}

  leave(what: string): void {
    this.left.leave(what);
  }

  read(measure: Node): void {
    let at: WholeNotes = ZERO;
    const strokes: Stroke[] = [];
    const lengthOf = (node: Node): WholeNotes => {
      const duration = numberOf(child(node, 'duration'));
      return duration === undefined ? ZERO : div(fromDecimal(duration), mul(frac(4), fromDecimal(this.#divisions)));
    };
    const nodes = inner(measure);
    for (const [index, node] of nodes.entries()) {
      switch (nameOf(node)) {
        case 'attributes':
          this.#attributes(node);
          break;
        case 'direction':
        case 'sound':
          this.#direction(node);
          break;
        case 'backup':
          at = sub(at, lengthOf(node));
          break;
        case 'forward':
          at = add(at, lengthOf(node));
          break;
        case 'note':
          if (child(node, 'grace')) this.#grace(node);
          else if (!child(node, 'chord')) {
            const more = nodes.slice(index + 1);
            const ends = more.findIndex((one) => nameOf(one) !== 'note' || !child(one, 'chord'));
            this.#struck([node, ...more.slice(0, ends < 0 ? more.length : ends)], at, strokes);
            at = add(at, lengthOf(node));
          }
          break;
        case 'barline':
          if (child(node, 'repeat')) this.leave('repeat sign');
          if (child(node, 'ending')) this.leave('ending sign');
          break;
      }
    }
    this.bars.push({ meter: this.#meter, strokes });
  }

  #attributes(node: Node): void {
    const divisions = numberOf(child(node, 'divisions'));
    if (divisions && divisions > 0) this.#divisions = divisions;
    const time = child(node, 'time');
    if (!time) return;
    const groups = textOf(child(time, 'beats')).split('+').map(Number);
    const beats = groups.reduce((total, one) => total + one, 0);
    const text = `${beats}/${textOf(child(time, 'beat-type'))}${groups.length > 1 ? ` (${groups.join('+')})` : ''}`;
    const read = parseMeter(text);
    if (read.ok) this.#meter = read.value;
    else this.leave(`meter ${text.slice(0, 20)}`);
  }

  #direction(node: Node): void {
    const sound = nameOf(node) === 'sound' ? node : child(node, 'sound');
    const metronome = children(node, 'direction-type')
      .map((one) => child(one, 'metronome'))
      .find((one) => one !== undefined);
    const swing = child(sound, 'swing');
    if (swing) this.#swing(swing);
    let quarters = attribute(sound, 'tempo') === undefined ? undefined : Number(attribute(sound, 'tempo'));
    const perMinute = numberOf(child(metronome, 'per-minute'));
    if (metronome && perMinute !== undefined) {
      const unit = Object.entries(NOTE_TYPES).find(([, name]) => name === textOf(child(metronome, 'beat-unit')))?.[0];
      const isDotted = child(metronome, 'beat-unit-dot') !== undefined;
      if (unit) quarters ??= ((4 / Number(unit)) * (isDotted ? 3 : 2) * perMinute) / 2;
      if (this.head.quarters === undefined) this.head.isInDotted = isDotted;
    }
    if (quarters === undefined || !Number.isFinite(quarters) || quarters <= 0) return;
    if (this.head.quarters === undefined) this.head.quarters = quarters;
    else if (Math.abs(this.head.quarters - quarters) > 0.01) this.leave('tempo change');
  }

  #swing(node: Node): void {
    const [first, second] = [numberOf(child(node, 'first')), numberOf(child(node, 'second'))];
    if (!first || !second || !Number.isInteger(first) || !Number.isInteger(second)) return;
    if (first === second) return;
    const value = textOf(child(node, 'swing-type')) === '16th' ? '16th' : '8th';
    this.head.swing = { value, ratio: format(frac(first, second)) };
  }

  #grace(node: Node): void {
    const voice = textOf(child(node, 'voice'));
    this.#graces.set(voice, [...(this.#graces.get(voice) ?? []), this.#surfaceOf(node)]);
  }

  #surfaceOf(note: Node): Surface | undefined {
    const instrument = attribute(child(note, 'instrument'), 'id');
    return (instrument === undefined ? undefined : this.instruments.get(instrument)) ?? surfaceByPlace(note);
  }

  /**
   * Notes that are struck at once, with the graces before them: each goes with the note of its surface, else with the
   * first.
   */
  #struck(notes: readonly Node[], at: WholeNotes, strokes: Stroke[]): void {
    const voice = textOf(child(notes[0], 'voice'));
    const graces = this.#graces.get(voice) ?? [];
    this.#graces.delete(voice);
    const surfaces = notes.map((one) => this.#surfaceOf(one));
    const goesWith = graces.map((surface) => Math.max(0, surfaces.indexOf(surface)));
    notes.forEach((note, which) =>
      this.#note(
        note,
        { at, surface: surfaces[which], graces: goesWith.filter((one) => one === which).length },
        strokes,
      ),
    );
  }

  #note(
    node: Node,
    { at, surface, graces }: { at: WholeNotes; surface?: Surface; graces: number },
    strokes: Stroke[],
  ): void {
    if (child(node, 'rest') || child(node, 'cue')) return;
    if (child(node, 'pitch')) return this.leave('note of a pitch');
    if (children(node, 'tie').some((one) => attribute(one, 'type') === 'stop')) return;
    if (!surface) return this.leave('note on no surface of a kit that is known');
    const notations = child(node, 'notations');
    const named = textOf(child(child(notations, 'technical'), 'other-technical'));
    const limb = limbFor(LIMBS.find((one) => one === named) ?? usualLimb(surface), at, strokes);
    if (!limb) return this.leave('stroke that no limb is free for');
    const ornament = ornamentOf(notations, graces);
    const articulations = child(notations, 'articulations');
    const isAccent = child(articulations, 'accent') ?? child(articulations, 'strong-accent');
    const loud = isAccent ? 'accent' : 'tap';
    const height = attribute(child(node, 'notehead'), 'parentheses') === 'yes' ? 'ghost' : loud;
    strokes.push({ limb, surface, at, height, ...(ornament && { ornament }) });
  }
}

function ornamentOf(notations: Node | undefined, graces: number): Ornament | undefined {
  if (graces) return graces === 1 ? 'flam' : 'drag';
  const tremolo = child(child(notations, 'ornaments'), 'tremolo');
  if (!tremolo) return undefined;
  return attribute(tremolo, 'type') === 'unmeasured' || (numberOf(tremolo) ?? 0) > 2 ? 'buzz' : 'double';
}

/**
 * A groove from MusicXML: of its first part for unpitched instruments the bars, with limbs as they are named or as
 * they usually play a surface. What is not in the groove is told in words: repeats and endings (the bars stand once),
 * later tempos, notes of a pitch, strokes no limb is free for, places no grid of ours holds, bars beyond what a
 * groove has.
 */
export function readMusicXml(xml: string): Result<GrooveRead> {
  const score = scoreOf(xml);
  if (!score.ok) return score;
  const parts = children(score.value, 'part');
  const isUnpitched = (part: Node) =>
    children(part, 'measure').some((one) => children(one, 'note').some((note) => child(note, 'unpitched')));
  const part = parts.find(isUnpitched);
  if (!part) return refuse('no-drums', 'There is no part for drums in this score.', 'Choose a score that has one.');
  const reader = new PartReader(instrumentsOf(child(score.value, 'part-list'), attribute(part, 'id')));
  const measures = children(part, 'measure');
  for (const measure of measures.slice(0, MOST_BARS)) reader.read(measure);
  if (measures.length > MOST_BARS) reader.left.leave(`bar beyond the first ${MOST_BARS}`, measures.length - MOST_BARS);
  if (parts.length > 1) reader.left.leave('other part', parts.length - 1);
  const title = textOf(child(child(score.value, 'work'), 'work-title')) || textOf(child(score.value, 'movement-title'));
  return grooveOf(reader, title.slice(0, MOST_TITLE));
}

function grooveOf(reader: PartReader, title: string): Result<GrooveRead> {
  const { bars, head } = reader;
  const reading = head.isInDotted && bars.every(({ meter }) => isCompound(meter)) ? 'pulse' : 'numbers';
  const gridded = bars.map(({ meter, strokes }): Bar => {
    const inside = strokes.filter(({ at }) => at.n >= 0 && at.n * meter.unit < meter.beats * at.d);
    for (let beyond = inside.length; beyond < strokes.length; beyond++) reader.leave('stroke outside of its bar');
    const kept = [...inside];
    for (;;) {
      const cells = cellsFor(
        meter,
        reading,
        kept.map(({ at }) => at),
      );
      if (cells) return { meter, cells, strokes: kept };
      // The place with the finest division is the one that no grid holds.
      const finest = kept.reduce((worst, one, index) => (one.at.d > kept[worst]!.at.d ? index : worst), 0);
      kept.splice(finest, 1);
      reader.leave('stroke on a place that no grid holds');
    }
  });
  const beat: Fraction = reading === 'pulse' ? frac(3, bars[0]!.meter.unit) : frac(1, bars[0]!.meter.unit);
  const quarters = head.quarters ?? 120;
  const tempo = Math.round((quarters / 4 / toNumber(beat)) * 1000) / 1000;
  const groove: Groove = {
    version: 1,
    title: title || UNTITLED,
    reading,
    tempo: Math.min(FASTEST, Math.max(SLOWEST, tempo)),
    ...(head.swing && { swing: head.swing }),
    bars: gridded,
  };
  return asRead(groove, reader.left);
}
