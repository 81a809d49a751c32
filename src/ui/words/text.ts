export const plural = (count: number, one: string, many = `${one}s`): string => `${count} ${count === 1 ? one : many}`;

export const opening = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
