/** Seconds as minutes and seconds: "5:07". */
export function lengthInWords(all: number): string {
  const whole = Math.round(all);
  return `${Math.floor(whole / 60)}:${String(whole % 60).padStart(2, '0')}`;
}
