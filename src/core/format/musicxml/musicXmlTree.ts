import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { fail, ok, problem, type Result } from '../../result';

/** A file of a few bars is some kilobytes; a whole piece for orchestra a few megabytes. */
export const MOST_XML_CHARACTERS = 5_000_000;
/** Elements within elements. */
const DEEPEST = 40;

/** An element as the parser gives it: its children under its name, its attributes beside. */
export type Node = Record<string, unknown>;
const ATTRIBUTES = ':@';

export const nameOf = (node: Node): string => Object.keys(node).find((key) => key !== ATTRIBUTES) ?? '';
export const inner = (node: Node | undefined): Node[] =>
  node ? ((node[nameOf(node)] as Node[] | undefined) ?? []) : [];
export const child = (node: Node | undefined, name: string): Node | undefined =>
  inner(node).find((one) => nameOf(one) === name);
export const children = (node: Node | undefined, name: string): Node[] =>
  inner(node).filter((one) => nameOf(one) === name);
export const attribute = (node: Node | undefined, name: string): string | undefined =>
  (node?.[ATTRIBUTES] as Record<string, string> | undefined)?.[name];
export const textOf = (node: Node | undefined): string =>
  inner(node)
    .map((one) => String((one['#text'] as string | number | undefined) ?? ''))
    .join('')
    .trim();
export const numberOf = (node: Node | undefined): number | undefined => {
  const text = textOf(node);
  return /^-?\d{1,9}(\.\d{1,9})?$/.test(text) ? Number(text) : undefined;
};

export const refuse = (code: string, say: string, remedy: string) => fail(problem(code, say, remedy));
const SAVE_AGAIN = 'Save it once more as MusicXML, not packed.';

/**
 * The score of a file, or why it is none. What defines names of its own, which could stand for anything, is not read.
 */
export function scoreOf(xml: string): Result<Node> {
  if (xml.length > MOST_XML_CHARACTERS)
    return refuse('too-long', 'This file is larger than 5 MB.', 'Save the drum part alone.');
  if (/<!ENTITY|<!DOCTYPE[^>]*\[/i.test(xml))
    return refuse('entities', 'This file defines names of its own, and is not read.', SAVE_AGAIN);
  if (deepest(xml) > DEEPEST || XMLValidator.validate(xml) !== true)
    return refuse('no-xml', 'This is no XML that can be read.', SAVE_AGAIN);
  const parser = new XMLParser({
    preserveOrder: true,
    ignoreAttributes: false,
    attributeNamePrefix: '',
    parseTagValue: false,
    parseAttributeValue: false,
    trimValues: true,
  });
  let all: Node[];
  try {
    all = parser.parse(xml) as Node[];
  } catch {
    return refuse('no-xml', 'This is no XML that can be read.', SAVE_AGAIN);
  }
  const score = all.find((one) => nameOf(one) === 'score-partwise');
  if (score) return ok(score);
  if (all.some((one) => nameOf(one) === 'score-timewise'))
    return refuse(
      'timewise',
      'This score is written measure by measure across its parts.',
      'Save it as a score by parts.',
    );
  return refuse('no-musicxml', 'This is no MusicXML.', SAVE_AGAIN);
}

/** How deep elements lie, looked at before anything is built of them. */
function deepest(xml: string): number {
  let depth = 0;
  let most = 0;
  for (const [tag] of xml.matchAll(/<[/?!]?[^>]*>/g)) {
    if (tag.startsWith('</')) depth--;
    else if (!tag.endsWith('/>') && !tag.startsWith('<?') && !tag.startsWith('<!')) most = Math.max(most, ++depth);
  }
  return most;
}
