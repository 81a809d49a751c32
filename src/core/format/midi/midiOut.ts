import { writeMidi, type MidiEvent } from 'midi-file';
import { formOf, type Plan } from '../../form/form';
import { beatOf } from '../../groove/beat';
import type { Height } from '../../groove/limbs';
import { barLength, formatMeter, type Meter } from '../../grid/meter';
import { countedIn } from '../../schedule/countIn';
import { schedule } from '../../schedule/schedule';
import { add, frac, mul, ONE, sub, sum, toNumber, type WholeNotes } from '../../time/fraction';
import type { Swing } from '../../time/swing';
import { valueMs } from '../../time/tempoMap';
import { noteWritten } from './drumNotes';

/** Ticks a quarter: 256ths, and triplets, quintuplets and septuplets of 16ths fall on whole ones. */
export const TICKS_A_QUARTER = 6720;
const DRUMS = 9;
/** Bell and click of the metronome, in the percussion map of General MIDI 2. */
const [BELL, CLICK] = [34, 33];
const CLICK_VELOCITY = 90;
const NOTE_TICKS = TICKS_A_QUARTER / 16;

/** As kits are set in the factory, about; what is read back as the same heights. */
export const VELOCITIES: Record<Height, number> = { ghost: 25, tap: 70, accent: 110 };

/** How a swing is told in a text, which the format has no event for. */
export const SWING_TEXT = {
  write: ({ value, ratio }: Swing): string => `Swing ${value}s ${ratio}`,
  read: (text: string): Swing | undefined => {
    const [, value, ratio] = /^Swing (8th|16th)s (tempo-aware|[1-9]\d?(?:\/[1-9]\d?)?)$/.exec(text) ?? [];
    return value && ratio ? { value: value as Swing['value'], ratio } : undefined;
  },
};

/** Texts are bytes there: as UTF-8. */
const asBytes = (text: string): string => String.fromCharCode(...new TextEncoder().encode(text));

type Placed = Omit<MidiEvent, 'deltaTime'> & { tick: number };

const timeSignature = ({ beats, unit }: Meter) => ({
  type: 'timeSignature',
  numerator: beats,
  denominator: unit,
  metronome: 24,
  thirtyseconds: 8,
});

/** Events by their ticks as deltas, each track closed where the whole ends. What ends comes before what begins. */
function inDeltas(events: readonly Placed[], endTick: number): MidiEvent[] {
  const ordered = events.toSorted(
    (a, b) => a.tick - b.tick || Number(b.type === 'noteOff') - Number(a.type === 'noteOff'),
  );
  const last = Math.max(endTick, ordered.at(-1)?.tick ?? 0);
  let before = 0;
  return [...ordered, { tick: last, type: 'endOfTrack' } as Placed].map(({ tick, ...event }) => {
    const deltaTime = tick - before;
    before = tick;
    return { ...event, deltaTime } as MidiEvent;
  });
}

/**
 * A plan as a Standard MIDI File of format 1: tempo, meters and a marker for each time through on the first track,
 * the strokes on channel 10 on the second, clicks and count-in on a third where there are any. Places are exact to
 * the tick; what is said in milliseconds (graces, a limb that leans) is rounded to one.
 */
export function midiOf(plan: Plan): Uint8Array {
  const form = formOf(plan);
  const { sounds } = schedule(form);
  const meterAt = (index: number) => form.bars[index]!.bar.meter;
  const counted = countedIn(form);
  const countIn = sum(counted.map(({ length }) => length));
  const ticks = (length: WholeNotes): number => toNumber(mul(length, frac(4 * TICKS_A_QUARTER)));
  const wholeMs = valueMs(ONE, { bpm: plan.bpm, beat: beatOf(plan.groove) });

  const strokes: Placed[] = [];
  const clicks: Placed[] = [];
  for (const sound of sounds) {
    // What is moved by milliseconds, against where it is counted.
    const movedMs = sound.ms - toNumber(sound.at) * wholeMs;
    const tick = Math.max(0, Math.round(ticks(add(countIn, sound.at)) + (movedMs / wholeMs) * 4 * TICKS_A_QUARTER));
    const struck = (to: Placed[], noteNumber: number, velocity: number) =>
      to.push(
        { tick, type: 'noteOn', channel: DRUMS, noteNumber, velocity },
        { tick: tick + NOTE_TICKS, type: 'noteOff', channel: DRUMS, noteNumber, velocity: 0 },
      );
    if (sound.kind === 'stroke') struck(strokes, noteWritten(sound.surface), VELOCITIES[sound.height]);
    if (sound.kind === 'click') struck(clicks, sound.voice === 'one' ? BELL : CLICK, CLICK_VELOCITY);
  }

  const guide: Placed[] = [
    { tick: 0, type: 'trackName', text: asBytes(plan.groove.title || 'Groove') },
    { tick: 0, type: 'setTempo', microsecondsPerBeat: Math.round(wholeMs * 250) },
    { tick: 0, ...timeSignature(counted[0]?.meter ?? meterAt(0)) },
  ];
  const swing = plan.swing ?? plan.groove.swing;
  if (swing && swing !== 'straight') guide.push({ tick: 0, type: 'text', text: SWING_TEXT.write(swing) });
  const last = counted.at(-1);
  if (last && form.bars[0]!.bar.endOf) {
    // The bar that breaks off before a pick-up is as short as it sounds.
    const { meter } = form.bars[0]!.bar;
    const beats = toNumber(mul(last.length, frac(meter.unit)));
    guide.push({ tick: Math.round(ticks(sub(countIn, last.length))), ...timeSignature({ ...meter, beats }) });
    guide.push({ tick: Math.round(ticks(countIn)), ...timeSignature(meter) });
  }
  let start = countIn;
  for (const [index, { origin, bar }] of form.bars.entries()) {
    const tick = Math.round(ticks(start));
    const before = form.bars[index - 1];
    if (before && formatMeter(before.bar.meter) !== formatMeter(bar.meter))
      guide.push({ tick, ...timeSignature(bar.meter) });
    if (before?.origin.pass !== origin.pass) guide.push({ tick, type: 'marker', text: `${origin.pass + 1}` });
    start = add(start, barLength(bar.meter));
  }

  const named = (name: string, events: Placed[]): Placed[] => [{ tick: 0, type: 'trackName', text: name }, ...events];
  const tracks = [guide, named('Drums', strokes), ...(clicks.length ? [named('Click', clicks)] : [])];
  return new Uint8Array(
    writeMidi({
      header: { format: 1, numTracks: tracks.length, ticksPerBeat: TICKS_A_QUARTER },
      tracks: tracks.map((events) => inDeltas(events, Math.round(ticks(start)))),
    }),
  );
}
