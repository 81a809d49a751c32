import { spawnSync } from 'node:child_process';
import fs from 'node:fs';
import { expect, test } from 'vitest';
import { formOf } from '@/core/form/form';
import { schedule } from '@/core/schedule/schedule';
import { STARTERS } from '@/core/testing/starters';
import { CLICK_PLANS } from '@/core/time/clickPlan';
import { renderWav } from '@/sound/rendering';
import { voiceOf } from '@/sound/voiceNames';

/** A second reader, of another house: Debian's sox. */
const SOX = '/usr/bin/sox';
const hasReader = fs.existsSync(SOX);
if (!hasReader) console.error('sox is not here: what it reads of a sound file is left out.');

const RATE = 44_100;
/** A click has died away after so long, and the next is not due before. */
const APART_MS = 150;

test.runIf(hasReader)('sox hears each click of a file where it is due, and a file as long as it says', () => {
  for (const groove of STARTERS) {
    const timed = schedule(formOf({ groove, rounds: 2, bpm: 60, click: CLICK_PLANS.counts, countIn: 1 }));
    const due = timed.sounds.flatMap((sound) => (sound.kind === 'click' ? [sound] : []));
    const wav = renderWav({
      sounds: due.map((sound) => ({ ms: sound.ms, voice: voiceOf(sound) })),
      startMs: timed.startMs,
      endMs: timed.endMs,
      rate: RATE,
    });
    const { stdout } = spawnSync(SOX, ['-t', 'wav', '-', '-t', 'f32', '-L', '-'], {
      input: Buffer.from(wav),
      maxBuffer: 1e9,
    });
    const heard = new Float32Array(stdout.buffer.slice(stdout.byteOffset, stdout.byteOffset + stdout.byteLength));
    expect(heard.length).toBe((wav.byteLength - 44) / 2);
    const onsets: number[] = [];
    let lastMs = -Infinity;
    heard.forEach((sample, frame) => {
      const ms = (1000 * frame) / RATE + timed.startMs;
      if (Math.abs(sample) < 0.01 || ms - lastMs < APART_MS) return;
      onsets.push(ms);
      lastMs = ms;
    });
    expect([groove.title, onsets.length]).toEqual([groove.title, due.length]);
    onsets.forEach((ms, index) => expect(Math.abs(ms - due[index]!.ms)).toBeLessThan(1));
  }
});
