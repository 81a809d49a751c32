import { namedPlaces } from '@/core/chart/play/namedCount';
import type { NoteValue } from '@/core/time/noteValue';
import { CODA, dynamicGlyphs, FERMATA, noteGlyph, SEGNO } from './glyphs';
import { shareOf, type DrawnBar } from './drawn';

const SVG = 'http://www.w3.org/2000/svg';

type Words = { text: string; kind?: 'glyph' | 'small' }[];

/**
 * Everything of a line that is words, signs and brackets, drawn by ourselves: where the engraver sets it, it
 * collides.
 */
export function writeWords(svg: SVGSVGElement, drawn: readonly DrawnBar[], staveAt: number): void {
  const hasBracket = drawn.some(({ bar }) => bar.ending);
  const wordsAt = 16;
  const bracketAt =
    wordsAt + (drawn.some(({ bar }) => overOf(bar).length > 0 || bar.jump || bar.signs.length) ? 8 : -6);
  for (const one of drawn) {
    const { bar, left, width } = one;
    const over = overOf(bar);
    if (over.length) line(svg, over, left + 2, wordsAt, 'over');
    const after = afterOf(bar);
    if (after.length) line(svg, after, left + width - 4, wordsAt, 'after');
    if (bar.times > 2) line(svg, [{ text: `×${bar.times}` }], left + width - 4, staveAt + 53, 'after');
    if (hasBracket && bar.ending) bracket(svg, one, bracketAt);
    if (bar.held) held(svg, one, staveAt);
    under(svg, one, drawn, staveAt);
  }
}

/** What stands over the beginning of a bar. */
function overOf({
  heading,
  signs,
  tempo,
  change,
  feel,
  free,
  isFreeSaid,
}: DrawnBar['bar']): (Words[number] & { isBoxed?: boolean })[] {
  return [
    ...(heading ? [{ text: heading, isBoxed: true }] : []),
    ...(signs.includes('segno') ? [{ text: SEGNO, kind: 'glyph' as const }] : []),
    ...(signs.includes('coda') ? [{ text: CODA, kind: 'glyph' as const }] : []),
    ...(feel ? [{ text: feel }] : []),
    ...(tempo ? [...noteWords(tempo.beat), { text: `= ${tempo.bpm}` }] : []),
    ...(change ? [...noteWords(change.old), { text: '=' }, ...noteWords(change.new)] : []),
    ...(isFreeSaid && free ? [{ text: free }] : []),
  ];
}

function noteWords(value: NoteValue): Words {
  const { glyph, beside } = noteGlyph(value);
  return [{ text: glyph, kind: 'glyph' }, ...(beside ? [{ text: beside, kind: 'small' as const }] : [])];
}

/** What stands over the end of a bar: where one goes from there. */
function afterOf({ signs, jump }: DrawnBar['bar']): Words {
  return [
    ...(signs.includes('to coda') ? [{ text: 'To' }, { text: CODA, kind: 'glyph' as const }] : []),
    ...(signs.includes('fine') ? [{ text: 'Fine' }] : []),
    ...(jump ? [{ text: jump }] : []),
  ];
}

function element<K extends keyof SVGElementTagNameMap>(
  svg: Element,
  name: K,
  attributes: Record<string, string | number>,
): SVGElementTagNameMap[K] {
  const made = document.createElementNS(SVG, name);
  for (const [key, value] of Object.entries(attributes)) made.setAttribute(key, String(value));
  svg.append(made);
  return made;
}

/** Words in a row, from their beginning on, or up to their end. */
function line(
  svg: SVGSVGElement,
  words: (Words[number] & { isBoxed?: boolean })[],
  x: number,
  y: number,
  kind: 'over' | 'after',
) {
  const boxed = words.find(({ isBoxed }) => isBoxed);
  let from = x;
  if (boxed) {
    const text = element(svg, 'text', { x: x + 6, y, class: 'heading' });
    text.textContent = boxed.text;
    const width = textWidth(text) + 12;
    element(svg, 'rect', { x, y: y - 14, width, height: 19, rx: 3, class: 'box' });
    from += width + 8;
  }
  const text = element(svg, 'text', { x: from, y, class: kind, ...(kind === 'after' && { 'text-anchor': 'end' }) });
  let before: 'none' | 'glyph' | 'word' = 'none';
  for (const { text: word, kind: glyph, isBoxed } of words) {
    if (isBoxed) continue;
    // The blank of the music font is no wider than a hair.
    const isBeside = before === 'glyph' ? glyph !== 'small' : before === 'word' && glyph === 'glyph';
    const dx = isBeside ? 5 : undefined;
    const span = element(text, 'tspan', { ...(glyph && { class: glyph }), ...(dx && { dx }) });
    span.textContent = glyph === 'small' ? word : `${word} `;
    before = glyph === 'glyph' ? 'glyph' : 'word';
  }
}

const textWidth = (text: SVGTextElement): number => {
  try {
    return text.getComputedTextLength();
  } catch {
    return 8 * (text.textContent?.length ?? 0);
  }
};

/** The bracket of an ending: over all its bars of this line. */
function bracket(svg: SVGSVGElement, { bar, left, width }: DrawnBar, y: number): void {
  const { label, isFirst, isLast } = bar.ending!;
  const down = y + 12;
  // Up to the next bar where it goes on, so that it is one line.
  const end = left + width - (isLast ? 2 : 0);
  element(svg, 'path', {
    d: `${isFirst ? `M${left + 2} ${down} V${y}` : `M${left} ${y}`} H${end} ${isLast ? `V${down}` : ''}`,
    class: 'bracket',
  });
  if (isFirst) element(svg, 'text', { x: left + 7, y: y + 12, class: 'ending' }).textContent = label;
}

/** A fermata over the count that is held. */
function held(svg: SVGSVGElement, { bar, xAt }: DrawnBar, staveAt: number): void {
  const found = namedPlaces([bar.held!], bar.meter, 'straight');
  if ('unknown' in found) return;
  const x = xAt(shareOf(found.places[0]!.written, bar));
  element(svg, 'text', { x, y: staveAt - 6, class: 'glyph fermata', 'text-anchor': 'middle' }).textContent = FERMATA;
}

/** Loudness and what is said to whoever plays, under the stave; a swell as far as this line goes. */
function under(svg: SVGSVGElement, one: DrawnBar, drawn: readonly DrawnBar[], staveAt: number): void {
  const { bar, left } = one;
  const y = staveAt + 58;
  let from = left + 4;
  if (bar.dynamic) {
    const text = element(svg, 'text', { x: from, y, class: 'glyph dynamic' });
    text.textContent = dynamicGlyphs(bar.dynamic);
    from += 14 * bar.dynamic.length + 4;
  }
  if (bar.say) {
    const text = element(svg, 'text', { x: from, y, class: 'say' });
    text.textContent = bar.say;
    from += textWidth(text) + 6;
  }
  if (!bar.swell) return;
  const { bars, to, isLouder } = bar.swell;
  const last = drawn.findLast((other) => other.bar.written < bar.written + bars) ?? one;
  const end = last.left + last.width - 14 * to.length - 8;
  const middle = y - 5;
  const [open, close] = isLouder ? [end, from] : [from, end];
  element(svg, 'path', { d: `M${open} ${middle - 5} L${close} ${middle} L${open} ${middle + 5}`, class: 'swell' });
  element(svg, 'text', { x: end + 4, y, class: 'glyph dynamic' }).textContent = dynamicGlyphs(to);
}
