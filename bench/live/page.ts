/** What the live benchmark runs in the browser: the application's own player, with a tap on what it puts out. */
import type { Groove } from '../../src/core/groove/groove';
import { cellsOfDivisions, slotsOfBar } from '../../src/core/grid/cells';
import { LIMBS } from '../../src/core/groove/limbs';
import { formOf } from '../../src/core/form/form';
import { schedule } from '../../src/core/schedule/schedule';
import { Mixer } from '../../src/sound/mixer';
import { Player, type VoicedSound } from '../../src/sound/player';
import { frameAt } from '../../src/sound/rendering';
import { voiceOf, type MadeVoice } from '../../src/sound/voiceNames';
import { renderVoice } from '../../src/sound/voices';

const RECORDER = `registerProcessor('recorder', class extends AudioWorkletProcessor {
  process([input]) {
    if (input[0]) this.port.postMessage({ frame: currentFrame, samples: input[0].slice() });
    return true;
  }
});`;

const meter = { beats: 4, unit: 4 as const };
const cells = cellsOfDivisions(meter, 'numbers', 4);
const groove: Groove = {
  version: 1,
  title: 'Sixteenths',
  reading: 'numbers',
  tempo: 132,
  bars: [
    {
      meter,
      cells,
      strokes: slotsOfBar(meter, 'numbers', cells).map(({ at }, index) => ({
        limb: LIMBS[index % 4]!,
        surface: 'snare' as const,
        at,
        height: 'tap' as const,
      })),
    },
  ],
};

/** Plays so many bars and taps them; gives what was heard block by block and what was due. */
async function play(bars: number, meanwhile: (player: Player, context: AudioContext) => Promise<void>) {
  const timed = schedule(formOf({ groove, bpm: 132, click: { kind: 'slots' }, countIn: 0, rounds: bars }));
  const sounds: VoicedSound[] = timed.sounds.map((sound) => ({ ms: sound.ms, voice: voiceOf(sound) }));
  const nodes: AudioWorkletNode[] = [];
  const Real = window.AudioWorkletNode;
  window.AudioWorkletNode = class extends Real {
    constructor(...given: ConstructorParameters<typeof Real>) {
      super(...given);
      nodes.push(this);
    }
  };
  const player = await Player.open();
  window.AudioWorkletNode = Real;
  const context = nodes[0]!.context as AudioContext;
  await context.audioWorklet.addModule(URL.createObjectURL(new Blob([RECORDER], { type: 'text/javascript' })));
  const recorder = new Real(context, 'recorder', { numberOfOutputs: 1 });
  nodes[0]!
    .connect(recorder)
    .connect(new GainNode(context, { gain: 0 }))
    .connect(context.destination);
  const heard = new Map<number, Float32Array>();
  recorder.port.onmessage = ({ data }: MessageEvent<{ frame: number; samples: Float32Array }>) =>
    heard.set(data.frame, data.samples);

  await player.start(sounds, timed.startMs);
  await meanwhile(player, context);
  while (player.heardMs() < timed.endMs + 500) await new Promise((wake) => setTimeout(wake, 100));
  const { zeroMs } = player as unknown as { zeroMs: number };
  player.close();
  return { sounds, heard, zeroMs, rate: context.sampleRate };
}

function stall(ms: number): void {
  const until = performance.now() + ms;
  while (performance.now() < until);
}

/** The main thread blocked for 2 s, five times: every sample that came out against the same list mixed at leisure. */
async function stalled() {
  const { sounds, heard, zeroMs, rate } = await play(10, async () => {
    for (let time = 0; time < 5; time++) {
      await new Promise((wake) => setTimeout(wake, 800));
      stall(2000);
    }
  });
  const mixer = new Mixer();
  for (const voice of new Set(sounds.map((sound) => sound.voice)))
    mixer.addVoice(voice, renderVoice(voice as MadeVoice, rate));
  const cues = sounds.map(({ ms, voice }) => ({ frame: frameAt(ms, -zeroMs, rate), voice }));
  mixer.cue(cues);
  const wrong = new Set<number>();
  let compared = 0;
  let missing = 0;
  const [first, last] = [Math.min(...heard.keys()), cues.at(-1)!.frame + rate / 4];
  for (let frame = first; frame < last; frame += 128) {
    const due = new Float32Array(128);
    mixer.render(due, frame);
    const was = heard.get(frame);
    if (!was) {
      missing += 128;
      continue;
    }
    for (let index = 0; index < 128; index++) if (was[index] !== due[index]) wrong.add(frame + index);
    compared += 128;
  }
  // A sound is off when anything in its first 5 ms differs or did not come.
  const off = cues.filter(({ frame }) =>
    Array.from({ length: Math.round(rate / 200) }, (_, index) => frame + index).some(
      (at) => wrong.has(at) || !heard.has(at - (at % 128)),
    ),
  ).length;
  return { stalls: 5, due: cues.length, off, compared, wrong: wrong.size, missing };
}

/** With every video frame: where the playhead is drawn against what the output is at. */
async function playhead() {
  const differences: number[] = [];
  let latency = 0;
  await play(8, async (player, context) => {
    const { zeroMs } = player as unknown as { zeroMs: number };
    const until = performance.now() + 12_000;
    while (performance.now() < until) {
      await new Promise(requestAnimationFrame);
      player.tick();
      latency = Math.max(latency, context.outputLatency * 1000);
      differences.push(Math.abs(player.heardMs() + zeroMs - (context.currentTime - context.outputLatency) * 1000));
    }
  });
  differences.sort((a, b) => a - b);
  return {
    frames: differences.length,
    median: differences[Math.floor(differences.length / 2)]!,
    worst: differences.at(-1)!,
    latency,
  };
}

Object.assign(window, { stalled, playhead });
