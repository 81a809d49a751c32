/** So many random values by night, and a third of them by day: each run draws others, so days add up. */
export const runs = (byNight: number): { numRuns: number } => ({
  numRuns: process.env.NIGHTLY ? byNight : Math.ceil(byNight / 3),
});
