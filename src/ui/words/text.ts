export const plural = (count: number, one: string, many = `${one}s`): string => `${count} ${count === 1 ? one : many}`;

export const opening = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** "Pim", "Pim and Noor", "Pim, Noor and Jonte". */
export const namesInWords = (names: readonly string[]): string =>
  names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)!}`;
