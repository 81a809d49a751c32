/**
 * `node --import tsx scripts/say-table.ts`: writes the table of words into docs/say-it.md, from the table that reads
 * them.
 */
import fs from 'node:fs';
import path from 'node:path';
import { pathToFileURL } from 'node:url';
import { SAID_WORDS } from '../src/core/phrase/words';

const FILE = path.join(import.meta.dirname, '../docs/say-it.md');
const MARK = '<!-- words -->';

/** A row for each meaning: what it is, and every way to say it. */
export function sayTable(): string {
  const rows = SAID_WORDS.map(([phrases, { kind, ...what }]) => {
    const meaning = Object.values(what as Record<string, unknown>)
      .flat()
      .join(', ');
    return `| ${kind}${meaning && kind !== 'and' ? `: ${meaning}` : ''} | ${phrases.split('|').join(', ')} |`;
  });
  return ['| meaning | words |', '| --- | --- |', ...rows].join('\n');
}

export const documented = (): string => fs.readFileSync(FILE, 'utf8').split(MARK)[1]!.trim();

if (import.meta.url === pathToFileURL(process.argv[1] ?? '').href) {
  const [before] = fs.readFileSync(FILE, 'utf8').split(MARK);
  fs.writeFileSync(FILE, `${before}${MARK}\n\n${sayTable()}\n`);
}
