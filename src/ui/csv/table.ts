import Papa from 'papaparse';
import { MOST_LINES_IN } from '@/core/limits';

/** A line of a file with its number in it, the heading being the first. */
export interface CsvLine {
  number: number;
  /** By heading, in small letters. */
  cells: Record<string, string>;
}

/** A file of lines as it was read; `say` where it is none. */
export type CsvRead = { lines: CsvLine[] } | { say: string };

/** Reads comma- or semicolon-separated lines with a heading, by whatever they are separated. */
export function readCsv(text: string, wanted: readonly string[]): CsvRead {
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\uFEFF/, '').trim(), {
    skipEmptyLines: false,
    preview: MOST_LINES_IN + 2,
  });
  const quotes = errors.find(({ type }) => type === 'Quotes');
  if (quotes) return { say: `Line ${(quotes.row ?? 0) + 1}: a quotation mark is opened and not closed.` };
  const [first, ...rest] = data;
  const heading = (first ?? []).map((one) => one.trim().toLowerCase());
  const missing = wanted.filter((name) => !heading.includes(name));
  if (!text.trim()) return { say: 'This file is empty.' };
  if (missing.length)
    return {
      say: `The first line names the columns. ${missing.map((name) => `“${name}”`).join(' and ')} is not among them: “${heading.join(', ').slice(0, 120)}”.`,
    };
  if (rest.length > MOST_LINES_IN)
    return { say: `More than ${MOST_LINES_IN.toLocaleString('en')} lines: cut the file in two.` };
  return {
    lines: rest.flatMap((cells, index) =>
      cells.some((cell) => cell.trim())
        ? [
            {
              number: index + 2,
              cells: Object.fromEntries(heading.map((name, at) => [name, plain(cells[at])])),
            },
          ]
        : [],
    ),
  };
}

/** A cell as it was before it was made harmless. */
const plain = (cell = '') => cell.trim().replace(/^'(?=[=+\-@])/, '');

/** A cell that a spreadsheet would take for a formula is written so that it stays a text. */
const harmless = (cell: string) => (/^[=+\-@\t\r]/.test(cell) && !/^[+-]?[\d.,]+$/.test(cell) ? `'${cell}` : cell);

/**
 * Lines with a heading as a file of comma-separated values (RFC 4180), with a mark by which spreadsheets know its
 * letters.
 */
export const writeCsv = (heading: readonly string[], rows: readonly (readonly (string | number | null)[])[]): string =>
  `\uFEFF${Papa.unparse({ fields: [...heading], data: rows.map((row) => row.map((cell) => (cell === null ? '' : harmless(String(cell))))) })}\r\n`;
