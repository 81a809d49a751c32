import { readFileSync } from 'node:fs';
import path from 'node:path';
import { expect, test, type Page } from '@playwright/test';
import { writeMidi } from 'midi-file';
import { WavWriter } from '../src/core/format/audio/wav';
import { madeKit } from '../src/core/simulate/drumSounds';
import { recordingOf } from '../src/core/simulate/recording';
import { talking } from '../src/core/simulate/room';
import { choose, comeInAs, complaints, expectAccessible } from './steps';

/** When the strokes in e2e/sounds are, in seconds: one snare, the same in each file. */
const ONSETS = [0.5, 0.75, 1, 1.25, 1.5, 1.625, 1.75, 2];

async function openHearing(page: Page): Promise<void> {
  await comeInAs(page, 'Oda');
  await page.getByRole('link', { name: 'Workshop' }).click();
  await page.getByRole('link', { name: 'Hear a file' }).click();
  await expect(page.getByRole('heading', { name: 'Hear a file', level: 1 })).toBeVisible();
}
const wav = (samples: Float32Array, rate: number): Buffer => {
  const writer = new WavWriter(samples.length, rate);
  writer.add(samples);
  return Buffer.from(writer.bytes);
};
/** The seconds of every stroke, from the table. */
async function secondsHeard(page: Page): Promise<number[]> {
  await page.getByText('Every stroke', { exact: true }).click();
  const rows = page.getByRole('table').getByRole('row');
  await expect(rows.nth(1)).toBeVisible();
  return (await rows.locator('td:first-child').allTextContents()).map(Number);
}

test('a sound file of each kind is heard, every stroke at its time', async ({ page }) => {
  const wrong = complaints(page);
  await openHearing(page);
  for (const kind of ['flac', 'ogg', 'mp3']) {
    await page.getByLabel('Sound file').setInputFiles(path.join(import.meta.dirname, `sounds/strokes.${kind}`));
    await expect(page.getByRole('heading', { name: `8 strokes in strokes.${kind}` })).toBeVisible();
    const seconds = await secondsHeard(page);
    expect(seconds).toHaveLength(ONSETS.length);
    // An MP3 of this kind does not say how much was put in front of it: the whole of it is later.
    const later = kind === 'mp3' ? seconds[0]! - ONSETS[0]! : 0;
    expect(later).toBeLessThan(0.051);
    seconds.forEach((second, index) => expect(Math.abs(second - later - ONSETS[index]!)).toBeLessThan(0.001));
  }
  await expect(page.getByRole('img', { name: /^8 strokes between 0:00.0 and 0:0/ })).toBeVisible();
  await expectAccessible(page);
  expect(wrong).toEqual([]);
});

test('a file of two channels that cancel each other, at another rate, is heard', async ({ page }) => {
  await openHearing(page);
  const rate = 44_100;
  const setting = {
    kit: madeKit(5, 'rings', rate, ['pad']),
    room: Float32Array.of(1),
    noise: 'pink',
    noiseDb: 45,
    rate,
    seed: 1,
  } as const;
  const strokes = [0, 400, 800].map((ms) => ({ ms, surface: 'pad', height: 'accent' }) as const);
  const { samples, onsets } = recordingOf(strokes, setting);
  const sides = wav(
    Float32Array.from({ length: 2 * samples.length }, (_, index) => (index % 2 ? -1 : 1) * samples[index >> 1]!),
    rate,
  );
  sides.writeUInt16LE(2, 22);
  sides.writeUInt32LE(4 * rate, 28);
  sides.writeUInt16LE(4, 32);
  await page.getByLabel('Sound file').setInputFiles({ name: 'sides.wav', mimeType: 'audio/wav', buffer: sides });
  await expect(page.getByRole('heading', { name: '3 strokes in sides.wav' })).toBeVisible();
  const seconds = await secondsHeard(page);
  onsets.forEach((ms, index) => expect(Math.abs(seconds[index]! - ms / 1000)).toBeLessThan(0.001));
});

test('on a groove it shows where each fell', async ({ page }) => {
  await openHearing(page);
  await choose(page, 'Groove', 'Ferry ramp');
  await expect(page.getByLabel('Tempo', { exact: true })).toHaveValue(/\d+/);
  await page.getByRole('button', { name: 'Let the simulated kit play it' }).click();
  await expect(page.getByRole('heading', { name: /\d+ strokes in the simulated kit’s take/ })).toBeVisible();
  await expect(page.getByRole('group', { name: 'Verdict' })).toBeVisible();
  expect(await page.locator('[data-bead]').count()).toBeGreaterThan(40);
  await page.getByText('Every stroke', { exact: true }).click();
  await expect(page.getByRole('cell', { name: 'closed hat' }).first()).toBeVisible();

  await page.getByLabel('Tempo', { exact: true }).fill('900');
  await expect(page.getByText('20 to 300 bpm')).toBeVisible();
  // The same groove at twice the tempo is laid on the same recording anew.
  await page.getByLabel('Tempo', { exact: true }).fill('160');
  await expect(page.getByRole('heading', { name: /\d+ strokes in the simulated kit’s take/ })).toBeVisible();
  await choose(page, 'Groove', 'none');
  await expect(page.getByRole('group', { name: 'Verdict' })).toHaveCount(0);
});

/** Eighths on the hat, kick on 1 and 3, snare on 2 and 4, so many bars at a tempo, as a kit records them. */
function midiTake(bars: number, bpm: number): Buffer {
  const ticks = 480;
  const strokes = Array.from({ length: 8 * bars }, (_, index) => ({
    at: index * (ticks / 2),
    notes: notesOn(index % 8),
  }));
  let last = 0;
  const notes = strokes.flatMap(({ at, notes: struck }) =>
    struck.map((noteNumber) => {
      const deltaTime = at - last;
      last = at;
      return { deltaTime, type: 'noteOn', channel: 9, noteNumber, velocity: 80 };
    }),
  );
  const tempo = { deltaTime: 0, type: 'setTempo', meta: true, microsecondsPerBeat: Math.round(6e7 / bpm) };
  const end = { deltaTime: 0, type: 'endOfTrack', meta: true };
  const header = { format: 0, numTracks: 1, ticksPerBeat: ticks };
  return Buffer.from(writeMidi({ header, tracks: [[tempo, ...notes, end]] }));
}
const notesOn = (eighth: number): number[] => [
  42,
  ...(eighth % 4 === 0 ? [36] : []),
  ...(eighth % 4 === 2 ? [38] : []),
];

test('a student keeps a MIDI file as a take, at the tempo it was played at', async ({ page }) => {
  const wrong = complaints(page);
  await comeInAs(page, 'Pim');
  await page.getByRole('link', { name: 'Log', exact: true }).click();
  await page.getByRole('link', { name: 'Hear a file' }).click();
  await choose(page, 'Groove', 'Slow crossing');
  await expect(page.getByLabel('Tempo', { exact: true })).toHaveValue('72');
  await page
    .getByLabel('Sound file')
    .setInputFiles({ name: 'shed.mid', mimeType: 'audio/midi', buffer: midiTake(8, 90) });
  await expect(page.getByText('It does not fall on this groove at 72: at 90 it does.')).toBeVisible();
  await page.getByRole('button', { name: 'Take 90' }).click();
  await expect(page.getByLabel('Tempo', { exact: true })).toHaveValue('90');
  await expect(page.getByText('does not fall on this groove')).toHaveCount(0);
  await page.getByRole('button', { name: 'Keep it in the log' }).click();
  await page.getByRole('link', { name: 'Kept in the log' }).click();
  await expect(page.getByText('By file. Every stroke’s loudness was heard.')).toBeVisible();
  await expect(page.getByText('90 bpm', { exact: false }).first()).toBeVisible();
  expect(wrong).toEqual([]);

  await page.goto('/hear');
  const broken = midiTake(2, 90).subarray(0, 30);
  await page.getByLabel('Sound file').setInputFiles({ name: 'half.mid', mimeType: 'audio/midi', buffer: broken });
  await expect(page.getByRole('alert').filter({ hasText: /MIDI|note/ })).toBeVisible();
});

test('what is no recording of strokes is said for what it is, and hearing can be stopped', async ({ page }) => {
  await openHearing(page);
  const file = page.getByLabel('Sound file');
  await file.setInputFiles({ name: 'letter.txt', mimeType: 'text/plain', buffer: Buffer.from('Dear Wendla') });
  await expect(page.getByText('“letter.txt” is no sound file.', { exact: false })).toBeVisible();
  const mp3 = readFileSync(path.join(import.meta.dirname, 'sounds/strokes.flac'));
  await file.setInputFiles({ name: 'half.flac', mimeType: 'audio/flac', buffer: mp3.subarray(0, 60) });
  await expect(page.getByText('cannot be read', { exact: false })).toBeVisible();

  await file.setInputFiles({
    name: 'nothing.wav',
    mimeType: 'audio/wav',
    buffer: wav(new Float32Array(16_000), 16_000),
  });
  await expect(page.getByRole('heading', { name: 'No stroke in nothing.wav' })).toBeVisible();
  await expect(page.getByText('The recording is silent.', { exact: false })).toBeVisible();
  const talk = talking(2, 6 * 16_000, 16_000).map((value) => 0.05 * value);
  await file.setInputFiles({ name: 'talk.wav', mimeType: 'audio/wav', buffer: wav(talk, 16_000) });
  await expect(page.getByText('Somebody talks', { exact: false })).toBeVisible();

  // Three minutes take long enough to be stopped.
  const setting = {
    kit: madeKit(5, 'rings', 16_000, ['snare']),
    room: Float32Array.of(1),
    noise: 'pink',
    noiseDb: 40,
    rate: 16_000,
    seed: 1,
  } as const;
  const strokes = Array.from(
    { length: 700 },
    (_, index) => ({ ms: 250 * index, surface: 'snare', height: 'tap' }) as const,
  );
  await file.setInputFiles({
    name: 'long.wav',
    mimeType: 'audio/wav',
    buffer: wav(recordingOf(strokes, setting).samples, 16_000),
  });
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByRole('button', { name: 'Stop' })).toHaveCount(0);
  await expect(page.getByRole('heading', { name: /long.wav/ })).toHaveCount(0);
});
