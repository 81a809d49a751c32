'use client';

/** A font of this page as a rule that carries it inside. */
const carried = async (family: string, source: string, rest: string): Promise<string> =>
  `@font-face{font-family:${JSON.stringify(family)};src:url(${await asData(source)});${rest}}`;

/** A file of this server as an address that holds it. */
async function asData(source: string): Promise<string> {
  if (source.startsWith('data:')) return source;
  const blob = await (await fetch(source)).blob();
  return new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.onload = () => resolve(reader.result as string);
    reader.onerror = () => reject(new Error('The font cannot be read.'));
    reader.readAsDataURL(blob);
  });
}

const unquoted = (name: string): string => name.trim().replace(/^["']|["']$/g, '');

/** The rules of all style sheets that bring these families. */
function rulesFor(families: ReadonlySet<string>): CSSFontFaceRule[] {
  return [...document.styleSheets].flatMap((sheet) =>
    [...sheet.cssRules].filter(
      (rule): rule is CSSFontFaceRule =>
        rule instanceof CSSFontFaceRule && families.has(unquoted(rule.style.getPropertyValue('font-family'))),
    ),
  );
}

/**
 * What a picture with these words and glyphs is written with: rules with the fonts in them, so that it looks the same
 * elsewhere.
 */
export async function fontsIn(svg: string): Promise<string> {
  const families = new Set(
    [...svg.matchAll(/font-family="([^"]*)"/g)].flatMap(([, list]) =>
      list!.replaceAll('&quot;', '"').split(',').map(unquoted),
    ),
  );
  const found = await Promise.all(
    rulesFor(families).map(async (rule) => {
      const source = /url\(["']?([^"')]+)["']?\)/.exec(rule.style.getPropertyValue('src'))?.[1];
      const at = source && new URL(source, rule.parentStyleSheet?.href ?? location.href).href;
      const rest = ['font-weight', 'font-style', 'unicode-range']
        .map((name) => [name, rule.style.getPropertyValue(name)])
        .filter(([, value]) => value)
        .map(([name, value]) => `${name}:${value}`)
        .join(';');
      return at ? carried(unquoted(rule.style.getPropertyValue('font-family')), at, rest) : '';
    }),
  );
  // The engraver brings its own, which no style sheet has.
  if (families.has('Bravura')) found.push(await carried('Bravura', (await import('./engraver')).Bravura, ''));
  return found.join('');
}
