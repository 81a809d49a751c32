import { beatOf } from '../../groove/beat';
import type { Bar, Groove } from '../../groove/groove';
import type { Stroke } from '../../groove/groove';
import type { Surface } from '../../groove/limbs';
import { writtenBar, type WrittenNote, type WrittenVoice } from '../../groove/notation';
import { barLength, formatMeter, type Meter } from '../../grid/meter';
import { format } from '../../time/fraction';

/** What each surface is called in drum mode (LilyPond 2.24, Notation Reference, "Percussion notes"). */
export const LILY_NAMES: Record<Surface, string> = {
  crash: 'cymc',
  'closed hat': 'hhc',
  'open hat': 'hho',
  'hat pedal': 'hhp',
  ride: 'cymr',
  'ride bell': 'rb',
  snare: 'sn',
  'cross-stick': 'ss',
  rim: 'ssh',
  pad: 'wbl',
  clap: 'hc',
  'high tom': 'tomh',
  'mid tom': 'tomml',
  'floor tom': 'tomfl',
  kick: 'bd',
};

const quoted = (text: string): string => `"${text.replace(/[\\"]/g, (found) => `\\${found}`)}"`;

/** A note is long by its value and dots: 8. is a dotted 8th. */
const lengthOf = ({ value, dots }: Pick<WrittenNote, 'value' | 'dots'>): string => `${value}${'.'.repeat(dots)}`;

/** Strokes through the stem: one for a double, three for a buzz, beside the flags the note has. */
function tremolo(strokes: readonly Stroke[], value: number): string {
  const own = Math.max(4, value);
  if (strokes.some(({ ornament }) => ornament === 'buzz')) return `:${own * 8}`;
  return strokes.some(({ ornament }) => ornament === 'double') ? `:${own * 2}` : '';
}

/** Graces before a note: one for a flam, two for a drag. */
function graces(strokes: readonly Stroke[]): string {
  const graced = strokes.find(({ ornament }) => ornament === 'flam' || ornament === 'drag');
  if (!graced) return '';
  const name = LILY_NAMES[graced.surface];
  return graced.ornament === 'flam' ? `\\slashedGrace { ${name}8 } ` : `\\grace { ${name}16[ ${name}] } `;
}

function noteOf(note: WrittenNote): string {
  const { strokes } = note;
  if (!strokes.length) return `r${lengthOf(note)}`;
  const heads = [...new Map(strokes.map((stroke) => [stroke.surface, stroke])).values()].map(
    ({ surface, height }) => `${height === 'ghost' ? '\\parenthesize ' : ''}${LILY_NAMES[surface]}`,
  );
  const accent = strokes.some(({ height }) => height === 'accent') ? '->' : '';
  return `${graces(strokes)}<${heads.join(' ')}>${lengthOf(note)}${tremolo(strokes, note.value)}${accent}`;
}

/** The beam of a note: it begins one, ends one, or neither. */
function beamOf(notes: readonly WrittenNote[], index: number): string {
  const { beam } = notes[index]!;
  if (beam === undefined) return '';
  if (notes[index - 1]?.beam !== beam) return '[';
  return notes[index + 1]?.beam === beam ? '' : ']';
}

/** A voice of one bar; nothing sounds in it where it has no notes. */
function voiceOf({ notes, tuplets }: WrittenVoice, meter: Meter): string {
  if (!notes.length) return `s1*${format(barLength(meter))}`;
  return notes
    .map((note, index) => {
      const { tuplet } = note;
      const written = noteOf(note) + beamOf(notes, index);
      if (tuplet === undefined) return written;
      const { notes: many, inTimeOf } = tuplets[tuplet]!;
      const opens = notes[index - 1]?.tuplet === tuplet ? '' : `\\tuplet ${many}/${inTimeOf} { `;
      return opens + written + (notes[index + 1]?.tuplet === tuplet ? '' : ' }');
    })
    .join(' ');
}

/** The meter where it changes, with its groups. */
const meterOf = ({ meter }: Bar, before: Bar | undefined): string => {
  if (before && formatMeter(before.meter) === formatMeter(meter)) return '';
  return `\\time ${meter.grouping ? `${meter.grouping.join(',')} ` : ''}${formatMeter(meter)} `;
};

/** The note the tempo counts: "4", "4.". */
function tempoNote(groove: Groove): string {
  const { n, d } = beatOf(groove);
  return n === 3 ? `${d / 2}.` : String(d);
}

/**
 * A groove as LilyPond reads it: hands with stems up, feet with stems down, ghosts in brackets, graces, doubles and
 * buzzes as strokes through the stem, tuplets, beams by count. Swing is said in words and written even; limbs, lean
 * and techniques are not in it, and a tempo is a whole number.
 */
export function lilypondOf(groove: Groove): string {
  const { title, bars, swing, tempo, reading } = groove;
  const written = bars.map((bar) => writtenBar(bar, reading));
  const voice = (of: 'hands' | 'feet') =>
    bars
      .map((bar, index) => `    ${meterOf(bar, bars[index - 1])}${voiceOf(written[index]![of], bar.meter)} |`)
      .join('\n');
  const words = swing ? `${quoted(`Swung ${swing.value}s`)} ` : '';
  return `\\version "2.24.0"
\\header { title = ${quoted(title)} tagline = ##f }
hands = \\drummode {
  \\voiceOne \\autoBeamOff \\tempo ${words}${tempoNote(groove)} = ${Math.round(tempo)}
  \\repeat volta 2 {
${voice('hands')}
  }
}
feet = \\drummode {
  \\voiceTwo \\autoBeamOff
  \\repeat volta 2 {
${voice('feet')}
  }
}
\\score {
  \\new DrumStaff << \\new DrumVoice \\hands \\new DrumVoice \\feet >>
  \\layout { }
  \\midi { }
}
`;
}
