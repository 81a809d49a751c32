'use client';

const SVG = 'http://www.w3.org/2000/svg';

/** What style sheets say of a drawing, and a file of its own has to say itself. */
const LOOKS = [
  'fill',
  'fill-opacity',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'stroke-linecap',
  'stroke-linejoin',
  'opacity',
  'font-family',
  'font-size',
  'font-weight',
  'font-style',
  'text-anchor',
] as const;

/** Room round a picture, and between the parts of it, in pixels. */
const MARGIN = 16;

/**
 * What is drawn in parts of a page as one picture that stands alone, one under another: every drawing with the looks
 * it has here, and the words beside it. What is hidden is left out. `fonts` are rules that bring what it is written
 * with.
 */
export function svgOf(parts: readonly HTMLElement[], title: string, fonts = ''): string {
  const root = document.createElementNS(SVG, 'svg');
  const named = root.appendChild(document.createElementNS(SVG, 'title'));
  named.textContent = title;
  if (fonts) root.appendChild(document.createElementNS(SVG, 'style')).textContent = fonts;
  const paper = root.appendChild(document.createElementNS(SVG, 'rect'));
  let [width, y] = [0, MARGIN];
  for (const part of parts) {
    const { left, top, width: wide, height } = part.getBoundingClientRect();
    const group = root.appendChild(document.createElementNS(SVG, 'g'));
    group.setAttribute('transform', `translate(${MARGIN} ${y})`);
    drawn(part, group, { left, top });
    width = Math.max(width, wide);
    y += height + MARGIN;
  }
  const [all, high] = [Math.ceil(width + 2 * MARGIN), Math.ceil(y)];
  for (const [name, value] of Object.entries({ width: all, height: high, viewBox: `0 0 ${all} ${high}` }))
    root.setAttribute(name, String(value));
  for (const [name, value] of Object.entries({ width: all, height: high, fill: paperOf(parts[0]) }))
    paper.setAttribute(name, String(value));
  return new XMLSerializer().serializeToString(root);
}

/** The colour of the paper that something lies on. */
function paperOf(part: Element | undefined): string {
  for (let one = part; one; one = one.parentElement ?? undefined) {
    const { backgroundColor } = getComputedStyle(one);
    if (backgroundColor !== 'rgba(0, 0, 0, 0)') return backgroundColor;
  }
  return 'white';
}

const isHidden = (element: Element): boolean => {
  const { display, visibility, overflow, width } = getComputedStyle(element);
  // Words for readers of screens are cut down to a point.
  return display === 'none' || visibility === 'hidden' || (overflow === 'hidden' && parseFloat(width) <= 1);
};

interface Origin {
  left: number;
  top: number;
}

/** Draws an element and all in it; `origin` is where the picture begins on the page. */
function drawn(element: Element, into: Element, origin: Origin): void {
  if (isHidden(element)) return;
  if (element instanceof SVGSVGElement) {
    into.append(placed(element, origin));
    return;
  }
  for (const child of element.childNodes) {
    if (child instanceof Element) drawn(child, into, origin);
    else if (child instanceof Text && child.data.trim()) into.append(worded(child, origin));
  }
}

/** A drawing where it stands on the page. */
function placed(svg: SVGSVGElement, { left, top }: Origin): Element {
  const box = svg.getBoundingClientRect();
  const copy = copied(svg);
  const zoom = (svg as { currentCSSZoom?: number }).currentCSSZoom ?? 1;
  if (!svg.hasAttribute('viewBox')) copy.setAttribute('viewBox', `0 0 ${box.width / zoom} ${box.height / zoom}`);
  const at = { x: box.left - left, y: box.top - top, width: box.width, height: box.height };
  for (const [name, value] of Object.entries(at)) copy.setAttribute(name, String(Math.round(value * 100) / 100));
  copy.setAttribute('overflow', 'visible');
  copy.removeAttribute('style');
  return copy;
}

type Looks = Record<string, string>;

/** A copy with its looks written into it, where they are others than those around it. */
function copied(element: Element, around: Looks = {}): Element {
  const copy = element.cloneNode(false) as Element;
  const style = getComputedStyle(element);
  const looks: Looks = Object.fromEntries(LOOKS.map((name) => [name, style.getPropertyValue(name)]));
  for (const name of LOOKS) {
    copy.removeAttribute(name);
    // How much shines through is each one's own; everything else is handed down.
    if (looks[name] !== (name === 'opacity' ? '1' : around[name])) copy.setAttribute(name, looks[name]!);
  }
  copy.removeAttribute('class');
  for (const child of element.childNodes) {
    if (child instanceof Element && !isHidden(child)) copy.append(copied(child, looks));
    else if (child instanceof Text) copy.append(child.cloneNode());
  }
  return copy;
}

/** A word of the page as a word of the picture. */
function worded(text: Text, { left, top }: Origin): Element {
  const range = document.createRange();
  range.selectNodeContents(text);
  const box = range.getBoundingClientRect();
  const looks = getComputedStyle(text.parentElement!);
  const word = document.createElementNS(SVG, 'text');
  const size = parseFloat(looks.fontSize);
  // Where letters stand in their line: about a fifth of their size hangs below.
  const baseline = box.top + (box.height + size) / 2 - 0.22 * size;
  const all = {
    x: box.left - left,
    y: baseline - top,
    fill: looks.color,
    'font-family': looks.fontFamily,
    'font-size': size,
    'font-weight': looks.fontWeight,
    'font-style': looks.fontStyle,
  };
  for (const [name, value] of Object.entries(all)) word.setAttribute(name, String(value));
  word.textContent = text.data.trim();
  return word;
}
