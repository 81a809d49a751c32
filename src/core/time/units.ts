/** Milliseconds, as a float: a time already on its way to sound, screen or a figure. */
export type Ms = number;

/** Beats a minute, to three decimal places. */
export type Bpm = number;

/** The tempos a person may set: below 20 nobody feels a pulse, above 300 nobody counts one. */
export const SLOWEST: Bpm = 20;
export const FASTEST: Bpm = 300;
