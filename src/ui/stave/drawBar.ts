import {
  Articulation,
  Barline,
  Beam,
  Dot,
  Formatter,
  GraceNote,
  GraceNoteGroup,
  ModifierPosition,
  Parenthesis,
  Renderer,
  Stave,
  StaveNote,
  Tremolo,
  Tuplet,
  Voice,
} from 'vexflow/bravura';
import { labelsOf } from '@/core/counting/labels';
import type { School } from '@/core/counting/schools';
import type { Bar, Stroke } from '@/core/groove/groove';
import { writtenBar, type WrittenNote, type WrittenVoice } from '@/core/groove/notation';
import { format } from '@/core/time/fraction';
import type { Reading } from '@/core/grid/meter';
import { stickingOf } from './layout';
import { copyLightly } from './lightCopies';
import { STAVE_PLACE } from './surfaces';

copyLightly();

/** Heights of the drawing, in pixels: the top line of the stave, the two rows of words under it. */
const TOP = 88;
const COUNTS_AT = 208;
const COUNTS_ABOVE_AT = 14;
const STICKING_AT = 226;
const STAVE_HEIGHT = 234;
const NOTES_HEIGHT = 186;
/** Of a line of one drum without words: what is free above its tuplets, and how far down it goes. */
const FREE_ABOVE = 20;
const CLOSE_HEIGHT = 150;

/** Which words stand with the notes. */
export interface StaveWords {
  counts: 'below' | 'above' | 'off';
  sticking: boolean;
}
export const ALL_WORDS: StaveWords = { counts: 'below', sticking: true };

/** How high a line of the stave stands, and how much of that may reach into what is above it. */
export function heightOf({ counts, sticking }: StaveWords, isOneDrum = false): { height: number; mt?: string } {
  if (counts === 'below' || sticking) return { height: STAVE_HEIGHT };
  return isOneDrum ? { height: CLOSE_HEIGHT, mt: `-${FREE_ABOVE}px` } : { height: NOTES_HEIGHT };
}

export type StaveEnd = 'repeat' | 'final';
const END_BARS: Record<StaveEnd, number> = { repeat: Barline.type.REPEAT_END, final: Barline.type.END };

export interface BarOptions {
  reading: Reading;
  school: School;
  width: number;
  clef: boolean;
  meter: boolean;
  /** How the last bar ends: a groove goes round, a line is played once. */
  end?: StaveEnd;
  words: StaveWords;
}

/** Where a note head was drawn, for clicks and for marking the stroke under the cursor. */
export interface DrawnHead {
  stroke: Stroke;
  x: number;
  y: number;
}

/** Draws one bar into an empty element and says where its heads are. */
export function drawBar(
  into: HTMLDivElement,
  bar: Bar,
  { reading, school, width, clef, meter, end, words }: BarOptions,
): DrawnHead[] {
  into.replaceChildren();
  const renderer = new Renderer(into, Renderer.Backends.SVG);
  renderer.resize(width, STAVE_HEIGHT);
  const context = renderer.getContext();
  const stave = new Stave(0, TOP, width - 1, { spaceAboveStaffLn: 0 });
  if (clef) stave.addClef('percussion');
  if (meter) stave.addTimeSignature(`${bar.meter.beats}/${bar.meter.unit}`);
  // What goes round is repeated; the lines between bars are single.
  if (end) stave.setEndBarType(END_BARS[end]);
  if (!clef) stave.setBegBarType(7);
  stave.setContext(context).draw();

  const written = writtenBar(bar, reading);
  const alone = !written.hands.notes.length || !written.feet.notes.length;
  const hands = voiceOf(written.hands, 1, alone);
  const feet = voiceOf(written.feet, -1, alone);
  const voices = [hands, feet].filter(({ notes }) => notes.length);
  if (!voices.length) voices.push(voiceOf(RESTING, 1, true));
  const formatter = new Formatter();
  formatter.joinVoices(voices.map(({ voice }) => voice));
  formatter.formatToStave(
    voices.map(({ voice }) => voice),
    stave,
  );
  for (const { voice, notes, beams, tuplets } of voices) {
    // Stems get their length from the beam first, so that accents stand over it and not in it.
    for (const note of notes) note.setStave(stave);
    for (const each of beams) each.postFormat();
    voice.draw(context, stave);
    for (const each of [...beams, ...tuplets]) each.setContext(context).draw();
  }

  const heads: DrawnHead[] = [];
  const at = new Map<string, { x: number; strokes: Stroke[] }>();
  for (const { notes, of } of voices) {
    notes.forEach((drawn, index) => {
      const note = of[index]!;
      const x = drawn.getAbsoluteX() + drawn.getGlyphWidth() / 2;
      const ys = drawn.isRest() ? [] : drawn.getYs();
      const keys = keysOf(note.strokes);
      for (const stroke of note.strokes) heads.push({ stroke, x, y: ys[keys.indexOf(STAVE_PLACE[stroke.surface])]! });
      const place = format(note.at);
      at.set(place, { x: at.get(place)?.x ?? x, strokes: [...(at.get(place)?.strokes ?? []), ...note.strokes] });
    });
  }
  const said = new Map(labelsOf(bar, reading, school).map((label) => [format(label.at), label]));
  const svg = into.querySelector('svg')!;
  for (const [place, { x, strokes }] of at) {
    const label = said.get(place);
    const countsAt = words.counts === 'above' ? COUNTS_ABOVE_AT : COUNTS_AT;
    if (label && words.counts !== 'off') word(svg, label.say, x, countsAt, label.count ? 'count' : 'syllable');
    if (words.sticking) word(svg, stickingOf(strokes), x, STICKING_AT, 'sticking');
  }
  return heads;
}

const RESTING: WrittenVoice = {
  notes: [{ at: { n: 0, d: 1 }, length: { n: 1, d: 1 }, value: 1, dots: 0, strokes: [] }],
  tuplets: [],
};

/** Lowest head first, as the engraver wants its keys. */
const PITCHES = 'cdefgab';
const pitch = (stroke: Stroke): number => {
  const [letter, octave] = STAVE_PLACE[stroke.surface].split('/');
  return Number(octave) * 7 + PITCHES.indexOf(letter!);
};
/** The heads of one note; two limbs on one surface share theirs. */
const keysOf = (strokes: readonly Stroke[]): string[] => [
  ...new Set([...strokes].sort((a, b) => pitch(a) - pitch(b)).map(({ surface }) => STAVE_PLACE[surface])),
];

function voiceOf(written: WrittenVoice, stemDirection: 1 | -1, alone: boolean) {
  const notes = written.notes.map((note) => staveNote(note, stemDirection, alone));
  const beams = [...new Set(written.notes.map(({ beam }) => beam))].flatMap((number) =>
    number === undefined ? [] : [new Beam(notes.filter((_, index) => written.notes[index]!.beam === number))],
  );
  // Before the voice takes its notes: a tuplet changes how long they last.
  const tuplets = written.tuplets.map(({ notes: numNotes, inTimeOf: notesOccupied }, number) => {
    const inside = written.notes.flatMap((note, index) => (note.tuplet === number ? [index] : []));
    const beamed = inside.every((index) => written.notes[index]!.beam !== undefined);
    return new Tuplet(
      inside.map((index) => notes[index]!),
      { numNotes, notesOccupied, location: stemDirection, bracketed: !beamed, ratioed: false },
    );
  });
  const voice = new Voice().setMode(Voice.Mode.SOFT).addTickables(notes);
  return { voice, notes, beams, tuplets, of: written.notes };
}

function staveNote(note: WrittenNote, stemDirection: 1 | -1, alone: boolean): StaveNote {
  const { strokes } = note;
  const keys = keysOf(strokes);
  const ofVoice = stemDirection === 1 ? 'd/5' : 'f/4';
  const rest = alone ? 'b/4' : ofVoice;
  const drawn = new StaveNote({
    clef: 'percussion',
    keys: strokes.length ? keys : [rest],
    duration: `${note.value}${strokes.length ? '' : 'r'}`,
    dots: note.dots,
    stemDirection,
    autoStem: false,
  });
  if (note.dots) Dot.buildAndAttach([drawn], { all: true });
  for (const stroke of strokes) {
    const key = keys.indexOf(STAVE_PLACE[stroke.surface]);
    if (stroke.height === 'ghost') {
      drawn.addModifier(new Parenthesis(ModifierPosition.LEFT), key);
      drawn.addModifier(new Parenthesis(ModifierPosition.RIGHT), key);
    }
    if (stroke.ornament === 'double') drawn.addModifier(new Tremolo(1), key);
    if (stroke.ornament === 'buzz') drawn.addModifier(new Tremolo(3), key);
    if (stroke.ornament === 'flam' || stroke.ornament === 'drag') drawn.addModifier(graces(stroke, stemDirection), key);
  }
  const side = stemDirection === 1 ? ModifierPosition.ABOVE : ModifierPosition.BELOW;
  if (strokes.some(({ surface }) => surface === 'open hat'))
    drawn.addModifier(new Articulation('ah').setPosition(side), 0);
  if (strokes.some(({ height }) => height === 'accent')) drawn.addModifier(new Articulation('a>').setPosition(side), 0);
  return drawn;
}

function graces(stroke: Stroke, stemDirection: 1 | -1): GraceNoteGroup {
  const keys = [STAVE_PLACE[stroke.surface]];
  const flam = stroke.ornament === 'flam';
  const notes = Array.from(
    { length: flam ? 1 : 2 },
    () => new GraceNote({ keys, duration: flam ? '8' : '16', slash: flam, stemDirection }),
  );
  const group = new GraceNoteGroup(notes);
  return flam ? group : group.beamNotes();
}

function word(svg: SVGSVGElement, text: string, x: number, y: number, kind: 'count' | 'syllable' | 'sticking'): void {
  if (!text) return;
  const element = document.createElementNS('http://www.w3.org/2000/svg', 'text');
  element.setAttribute('x', x.toFixed(1));
  element.setAttribute('y', String(y));
  element.setAttribute('text-anchor', 'middle');
  element.setAttribute('class', kind);
  element.textContent = text;
  svg.append(element);
}
