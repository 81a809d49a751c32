/** The outline of a recording holds the least and the greatest sample of each so many milliseconds. */
export const OUTLINE_MS = 2;
