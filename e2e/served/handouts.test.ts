import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { afterAll, expect, test } from 'vitest';
import { ask, sessionOf, theCast, type ActorName } from './served';

/** A second reader: Debian's poppler-utils. */
const hasReader = fs.existsSync('/usr/bin/pdftotext');
if (!hasReader) console.error('poppler-utils are not here: what they read of a handout is left out.');

const cast = theCast();
const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'handouts-'));
afterAll(() => fs.rmSync(folder, { recursive: true, force: true }));

const pdfOf = async (page: string, actor: ActorName) =>
  ask(
    `/files/handouts?${new URLSearchParams({ page })}`,
    actor === 'visitor' ? undefined : await sessionOf(cast[actor].id),
  );

/** Words of a PDF with where they stand, in points from the top left of their page. */
function wordsOf(file: string) {
  const html = execFileSync('pdftotext', ['-bbox', file, '-'], { encoding: 'utf8' });
  return [...html.matchAll(/<word xMin="([\d.]+)" yMin="([\d.]+)" xMax="([\d.]+)" yMax="([\d.]+)">(.*?)<\/word>/g)].map(
    ([, left, top, right, bottom, text]) => ({
      text: text!.replace('&amp;', '&'),
      left: Number(left),
      top: Number(top),
      right: Number(right),
      bottom: Number(bottom),
    }),
  );
}

async function printed(page: string): Promise<string> {
  const answer = await pdfOf(page, 'teacher');
  expect(answer.status).toBe(200);
  expect(answer.headers.get('content-type')).toBe('application/pdf');
  const file = path.join(folder, `${Math.random()}.pdf`);
  fs.writeFileSync(file, Buffer.from(await answer.arrayBuffer()));
  return file;
}

/** Points of a millimetre, and the margin of a sheet. */
const MM = 72 / 25.4;
const MARGIN = 14 * MM;
/** Heads of notes and crosses in the engraver's font (SMuFL 1.4: E0A0 to E0FF). */
const isHead = (text: string) => /^[\ue0a0-\ue0ff]$/.test(text);
const isMusic = (text: string) => /[\ue000-\uf8ff]/.test(text);
const middle = ({ left, right }: { left: number; right: number }) => (left + right) / 2;

test('a handout is for whoever sees what is on it, and nothing but sheets is printed', async () => {
  const sheet = `/handout/${cast.groove}`;
  const may = { visitor: 401, student: 200, other: 404, teacher: 200, foreign: 404 } as const;
  for (const [actor, status] of Object.entries(may))
    expect([actor, (await pdfOf(sheet, actor as ActorName)).status]).toEqual([actor, status]);
  for (const page of [
    '',
    '/today',
    `/handout/${cast.groove}/../../today`,
    '//elsewhere.example/',
    `${sheet}#x`,
    `${sheet}?a=<b>`,
    'x',
  ])
    expect([page, (await pdfOf(page, 'teacher')).status]).toEqual([page, 404]);
}, 120_000);

test.runIf(hasReader)(
  'counts stand over their notes, all is within the margins, and fonts are inside',
  async () => {
    for (const [paper, size] of [
      ['A4', '594.96 x 841.92'],
      ['Letter', '612 x 792'],
    ] as const)
      for (const counts of ['below', 'above'] as const) {
        const file = await printed(`/handout/${cast.groove}?paper=${paper}&counts=${counts}`);
        expect(execFileSync('pdfinfo', [file], { encoding: 'utf8' })).toContain(`Page size:       ${size}`);
        const fonts = execFileSync('pdffonts', [file], { encoding: 'utf8' }).trim().split('\n').slice(2);
        expect(fonts.length).toBeGreaterThan(1);
        for (const font of fonts) expect(font).toMatch(/ yes (?:yes|no ) (?:yes|no ) +\d+ +\d+$/);
        const words = wordsOf(file);
        const heads = words.filter(({ text }) => isHead(text));
        expect(heads.length).toBeGreaterThan(3);
        const [width, height] = size.split(' x ').map(Number) as [number, number];
        // Boxes of letters are higher than the letters: where their middle is says whether they are on the sheet.
        const own = words.filter(({ text }) => !isMusic(text) && !/^\d+$|^of$/.test(text));
        for (const { left, right, top, bottom, text } of own) {
          const at = (top + bottom) / 2;
          const isInside = left >= MARGIN - 1 && right <= width - MARGIN + 1 && at >= MARGIN && at <= height - MARGIN;
          expect([text, isInside]).toEqual([text, true]);
        }
        for (const { left, right } of words.filter(({ text }) => isMusic(text)))
          expect(left >= MARGIN - 1 && right <= width - MARGIN + 1).toBe(true);
        // The counts of the stave: the row that has a 1 right over or under a head.
        const line = words.filter(({ text }) => /^(?:[1-9]|&|e|a)$/.test(text));
        const row = line.filter((one) => line.filter((other) => Math.abs(other.bottom - one.bottom) < 2).length >= 3);
        expect(row.length).toBeGreaterThan(3);
        const heads1 = heads.map(middle);
        for (const count of row) {
          const off = Math.min(...heads1.map((x) => Math.abs(x - middle(count))));
          expect([count.text, off <= MM]).toEqual([count.text, true]);
        }
      }
  },
  120_000,
);

test.runIf(hasReader)('a blank sheet has its counts, page after page', async () => {
  const file = await printed('/handout/blank?meter=5/8&parts=2&lines=16&lanes=4');
  const info = execFileSync('pdfinfo', [file], { encoding: 'utf8' });
  const pages = Number(/Pages: +(\d+)/.exec(info)![1]);
  expect(pages).toBeGreaterThan(1);
  const words = wordsOf(file).map(({ text }) => text);
  expect(words.filter((text) => text === '5').length).toBeGreaterThanOrEqual(32);
  expect(words.join(' ')).toContain(`1 of ${pages}`);
});
