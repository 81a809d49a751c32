/**
 * Makes the recordings of the spoken count: `npx tsx scripts/speak.ts`, with espeak-ng (Debian) on the path. What it
 * writes is shipped: public/speech/count.wav holds all words one after another, src/sound/spoken.json where each is.
 */
import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { SCHOOLS } from '../src/core/counting/schools';
import { readWav, WavWriter } from '../src/core/format/audio/wav';
import { MOST_BEATS } from '../src/core/grid/meter';
import { onsetOf } from '../src/sound/onset';

process.chdir(path.join(import.meta.dirname, '..'));

/** How a syllable is said where its spelling would mislead, in the synthesiser's phonemes. */
const SAID: Record<string, string> = {
  '&': '[[and]]',
  e: '[[i:]]',
  a: '[[V]]',
  ta: '[[ta:]]',
  te: '[[teI]]',
  ti: '[[ti:]]',
  la: '[[la:]]',
  li: '[[li:]]',
  ka: '[[ka:]]',
  ki: '[[ki:]]',
  di: '[[di:]]',
  da: '[[da:]]',
  mi: '[[mi:]]',
  ma: '[[ma:]]',
  va: '[[va:]]',
  gi: '[[gi:]]',
  na: '[[na:]]',
  tha: '[[ta:]]',
  thom: '[[t0m]]',
  jo: '[[dZoU]]',
  nu: '[[nu:]]',
  the: '[[D@]]',
  of: '[[Vv]]',
};

const numbers = Array.from({ length: MOST_BEATS }, (_, index) => String(index + 1));
const syllables = new Set(SCHOOLS.flatMap((school) => Object.values(school.syllables).flat()).filter(Boolean));
/** With which a place is called: "the e of 2", "count 3". */
const between = ['the', 'of', 'count', 'slot'];
const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'speak-'));

/** One word, cut to what is heard, faded at both ends and as loud as the others. */
function spoken(word: string, pitch: number) {
  const file = path.join(folder, 'word.wav');
  execFileSync('espeak-ng', ['-v', 'en-us', '-s', '320', '-p', String(pitch), '-w', file, SAID[word] ?? word]);
  const { rate, samples } = readWav(new Uint8Array(fs.readFileSync(file)).buffer);
  const peak = samples.reduce((most, value) => Math.max(most, Math.abs(value)), 0);
  const heard = (value: number) => Math.abs(value) > 0.015 * peak;
  const from = Math.max(0, samples.findIndex(heard) - Math.round(0.002 * rate));
  const to = Math.min(samples.length, samples.findLastIndex(heard) + Math.round(0.005 * rate));
  const fade = Math.round(0.004 * rate);
  const cut = samples
    .slice(from, to)
    .map((value, index, all) => (value / peak) * 0.8 * Math.min(1, (index + 1) / fade, (all.length - index) / fade));
  return { rate, samples: cut, onset: onsetOf(cut, rate) };
}

// Numbers a little higher, as they are stressed when one counts.
const words = [
  ...numbers.map((word) => ({ word, ...spoken(word, 58) })),
  ...[...syllables, ...between].map((word) => ({ word, ...spoken(word, 44) })),
];
const [{ rate }] = words as [(typeof words)[number]];
const writer = new WavWriter(
  words.reduce((total, { samples }) => total + samples.length, 0),
  rate,
);
let from = 0;
const index = Object.fromEntries(
  words.map(({ word, samples, onset }) => {
    writer.add(samples);
    const place = { from, frames: samples.length, onset };
    from += samples.length;
    return [word, place];
  }),
);
fs.mkdirSync('public/speech', { recursive: true });
fs.writeFileSync('public/speech/count.wav', new Uint8Array(writer.bytes));
fs.writeFileSync('src/sound/spoken.json', `${JSON.stringify({ rate, words: index }, undefined, 2)}\n`);
fs.rmSync(folder, { recursive: true });
console.log(`${words.length} words, ${(writer.bytes.byteLength / 1000).toFixed(0)} kB`);
