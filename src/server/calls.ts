/**
 * What pages of ours send when they call an action is plain: texts, numbers, lists and objects, forms, and what was
 * left out. The framework's own encoding can say much more, which nobody here needs; what it cannot decode ends as an
 * error of the server. So a call is looked at before it is decoded, and what no page of ours sends is refused.
 */

/** A dollar marks what JSON has no word for: a text that begins with one, what was left out, a form. */
const PLAIN = /^\$(?:\$|undefined$|K[\da-f]{1,4}$)/;
/** What stands in a call twice is sent once and named by its place: "$0:0:groove:bars:0:meter". */
const AGAIN = /^\$0(?::[\w .-]{1,40})+$/;
const NEVER_NAMED = /:(?:__proto__|constructor|prototype|then)(?::|$)/;

/** A form that is sent before the page's script runs also names the arguments that are bound to its action. */
const BOUND = /^\$@\d{1,4}$/;

const isKnownMark = (text: string): boolean => PLAIN.test(text) || (AGAIN.test(text) && !NEVER_NAMED.test(text));

/** Actions have a handful of arguments; lists of ours hold objects or short texts, and few lists hold lists. */
const MOST_ARGUMENTS = 10;
const MOST_LISTED_CHARACTERS = 100_000;
const MOST_LISTS_IN_LISTS = 8;

/** How deep lists stand directly in one another. */
function depthOf(list: unknown): number {
  let depth = 0;
  for (let level: unknown[] = [list]; level.length && depth <= MOST_LISTS_IN_LISTS; depth++)
    level = level.filter(Array.isArray).flatMap((one: unknown[]) => one);
  return depth;
}

function isShort(list: readonly unknown[]): boolean {
  const characters = list.reduce<number>((total, one) => total + (typeof one === 'string' ? one.length : 1), 0);
  return characters <= MOST_LISTED_CHARACTERS && depthOf(list) <= MOST_LISTS_IN_LISTS;
}

function isPlain(json: unknown, alsoBound: boolean): boolean {
  const waiting = [json];
  while (waiting.length) {
    const value = waiting.pop();
    if (typeof value === 'string') {
      if (value.startsWith('$') && !isKnownMark(value) && !(alsoBound && BOUND.test(value))) return false;
    } else if (value && typeof value === 'object') {
      if (Array.isArray(value) && !isShort(value)) return false;
      for (const one of Object.values(value)) waiting.push(one);
    }
  }
  return true;
}

function read(text: unknown): unknown {
  try {
    return JSON.parse(String(text));
  } catch {
    return undefined;
  }
}

const isList = (text: unknown): boolean => {
  const json = read(text);
  return Array.isArray(json) && json.length <= MOST_ARGUMENTS && isPlain(json, false);
};

/** Whether what is sent to a page is what a page of ours sends. */
export async function validateServerAction(request: Request): Promise<boolean> {
  if (request.method !== 'POST') return true;
  const isCalled = request.headers.has('next-action');
  if (!request.headers.get('content-type')?.startsWith('multipart/form-data'))
    return isCalled && isList(await request.clone().text());
  const form = await request
    .clone()
    .formData()
    .then(
      (given) => given,
      () => undefined,
    );
  if (!form) return false;
  if (isCalled) return isList(form.get('0')) && [...form.keys()].every((name) => /^0$|^_\d{1,4}_/.test(name));
  const told = [...form].filter(([name]) => name.startsWith('$ACTION_'));
  return told.length > 0 && told.every(([name, value]) => !name.includes(':') || isPlain(read(value) ?? '$', true));
}
