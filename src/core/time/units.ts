/** Milliseconds, as a float: a time already on its way to sound, screen or a figure. */
export type Ms = number;

/** Beats a minute, to three decimal places. */
export type Bpm = number;

/** Decibels: 20 log₁₀ of a ratio of amplitudes. */
export type Decibels = number;
