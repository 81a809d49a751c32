import { expose, transfer } from 'comlink';
import type { Delay, KitJson, SurfaceAccuracy } from '@/core/documents/ears';
import type { Take } from '@/core/documents/take';
import type { Surface } from '@/core/groove/limbs';
import { learnKit, LiveHearing, type HeardStroke, type Kit } from '@/core/hearing/index';
import { RATE } from '@/core/hearing/dsp/bands';
import { clickDelayIn, withoutClicks, type FindOptions } from '@/core/hearing/take/find';
import { transcribeTake, type TakeHeard } from '@/core/hearing/take/transcribeTake';
import { kitOf, writeKit } from '@/core/hearing/kit/kitJson';
import type { Expected } from '@/core/hearing/kit/scoreSurfaces';
import { crossValidateKit } from '@/core/hearing/take/crossValidateKit';
import { LONGEST_KEPT_MS, LONGEST_TAKE_MS } from '@/core/limits';
import type { Ms } from '@/core/time/units';
import type { Recorded } from '../../recorder.worklet';
import type { TakeSound } from '../../recordings/takeSound';
import { Tape } from './tape';

/** Sounds that the loudspeaker plays, and when: see `FindOptions`. */
export type Clicks = NonNullable<FindOptions['clicks']>;

export interface ListenOptions {
  sampleRate: number;
  /** The frame of the audio clock from which on it counts. */
  fromFrame: number;
  kit?: KitJson;
  expected?: Expected[];
  clicks?: Clicks;
  /** Nothing is to be heard again: what is older than a minute is let go. */
  isEndless?: boolean;
}

/** What is told while it listens: strokes, in milliseconds from the first frame, and how loud it is, 0 to 1. */
export interface LiveEvents {
  onStrokes: (strokes: HeardStroke[]) => void;
  onLevel: (peak: number) => void;
}

/** So much is known of what came before it began: it begins a moment ago, when the sound did. */
const BEFORE_MS: Ms = 2000;
const LET_GO_MS: Ms = 60_000;
/** The level is told so often. */
const LEVEL_MS: Ms = 50;

let tape: Tape | undefined;
let live: LiveHearing | undefined;
let isListening = false;
let recent: Recorded[] = [];
/** Begins over where nothing is kept; the first time at `fromFrame`. */
let begun: (Omit<ListenOptions, 'kit'> & { kit?: Kit }) | undefined;
let rate = 48_000;
let events: LiveEvents | undefined;
let level = { peak: 0, frames: 0 };

/** Listens at a port that a recorder passes blocks to. */
function connect(port: MessagePort): void {
  port.onmessage = ({ data }: MessageEvent<Recorded>) => take(data);
}

function begin({ kit, ...options }: ListenOptions, told: LiveEvents): void {
  rate = options.sampleRate;
  begun = { ...options, ...(kit?.surfaces.length && { kit: kitOf(kit) }) };
  beginAt(options.fromFrame);
  events = told;
  level = { peak: 0, frames: 0 };
  for (const one of recent) hearBlock(one);
}

function beginAt(frame: number): void {
  const { kit, expected, clicks } = begun!;
  isListening = true;
  tape = new Tape(frame, Math.ceil((rate * (LONGEST_TAKE_MS + 60_000)) / 1000));
  live = new LiveHearing(rate, { ...(kit && { kit }), ...(expected && { expected }), ...(clicks && { clicks }) });
}

function take(recorded: Recorded): void {
  recent.push(recorded);
  const oldest = recorded.frame - (BEFORE_MS * rate) / 1000;
  if (recent[0]!.frame < oldest) recent = recent.filter(({ frame }) => frame >= oldest);
  hearBlock(recorded);
}

function hearBlock(recorded: Recorded): void {
  if (!tape || !live || !begun || !isListening) return;
  if (begun.isEndless && recorded.frame - tape.fromFrame > (LET_GO_MS * rate) / 1000) beginAt(recorded.frame);
  const more = tape.add(recorded);
  for (const value of more) level.peak = Math.max(level.peak, Math.abs(value));
  level.frames += more.length;
  if (level.frames >= (LEVEL_MS * rate) / 1000) {
    events?.onLevel(level.peak);
    level = { peak: 0, frames: 0 };
  }
  const laterMs = (1000 * (tape.fromFrame - begun.fromFrame)) / rate;
  const strokes = live.feed(more).map((stroke) => ({ ...stroke, ms: stroke.ms + laterMs }));
  if (strokes.length) events?.onStrokes(strokes);
}

/** What came of hearing a take that was recorded. */
export interface RecordedTake extends TakeHeard {
  skippedMs: Ms;
  /** Its sound, without the click, where it is no longer than can be kept. */
  sound?: TakeSound;
}

/** The take that was recorded, heard as a whole; its first bar was sent at a frame of the audio clock. */
function hear(
  played: Take,
  { firstBarFrame, kit, clicks, delayMs }: { firstBarFrame: number; kit?: KitJson; clicks: Clicks; delayMs: Ms },
  onShare: (share: number) => void,
): RecordedTake {
  isListening = false;
  const { fromFrame, skipped } = tape!;
  const samples = live!.recording;
  const firstBarMs = (1000 * (firstBarFrame - fromFrame)) / rate;
  const heard = transcribeTake(
    played,
    { samples, sampleRate: rate, firstBarMs },
    { ...(kit?.surfaces.length && { kit: kitOf(kit) }), clicks, delayMs, onShare },
  );
  const came = { ...heard, skippedMs: (1000 * skipped) / rate };
  if ((1000 * samples.length) / rate > LONGEST_KEPT_MS) return came;
  const rest = withoutClicks(samples, rate, { clicks: heard.isClickHeard ? clicks : [] });
  const sound = { samples: rest, sampleRate: RATE, zeroMs: firstBarMs + (heard.take.calibrationMs ?? delayMs) };
  return transfer({ ...came, sound }, [rest.buffer]);
}

/** What was recorded since it began: kept by whoever asks. */
const recorded = (): Float32Array => live?.recording.slice() ?? new Float32Array();

/** What recordings of single surfaces teach, and what can be told by it. */
function learn(recordings: { surface: Surface; samples: Float32Array }[]): { kit: KitJson; told: SurfaceAccuracy[] } {
  const all = recordings.map((one) => ({ ...one, sampleRate: rate }));
  return { kit: writeKit(learnKit(all)), told: crossValidateKit(all) };
}

/**
 * How much later than sent the clicks came back since it began, and by how much the first half of them and the second
 * say otherwise; undefined where they did not come back.
 */
function clickDelay(clicks: Clicks): Delay | undefined {
  const samples = live!.recording;
  const [first, second] = [0, 1].map((half) =>
    clickDelayIn(samples, rate, { clicks: clicks.map((voice) => ({ ...voice, atMs: halfOf(voice.atMs, half) })) }),
  );
  if (first === undefined || second === undefined) return undefined;
  return { ms: (first + second) / 2, spreadMs: Math.abs(first - second) / 2 };
}
const halfOf = (atMs: readonly Ms[], half: number): readonly Ms[] =>
  half ? atMs.slice(atMs.length >> 1) : atMs.slice(0, atMs.length >> 1);

const worker = { connect, begin, hear, recorded, learn, clickDelay };
export type ListenWorker = typeof worker;

expose(worker);
