/** What an address asks, each thing once: of a name that stands there twice, the first. */
export async function askedOnce<Name extends string>(
  given: Promise<Partial<Record<Name, string | string[]>>>,
): Promise<Partial<Record<Name, string>>> {
  const asked = Object.entries(await given) as [Name, string | string[] | undefined][];
  return Object.fromEntries(
    asked.flatMap(([name, value]) => (value === undefined ? [] : [[name, Array.isArray(value) ? value[0]! : value]])),
  ) as Partial<Record<Name, string>>;
}
