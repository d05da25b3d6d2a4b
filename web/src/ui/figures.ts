/** A number with its thousands apart. Intl would take 40 ms to begin with. */
export function figures(n: number): string {
  return String(Math.round(n)).replace(/\B(?=(\d{3})+$)/g, ',');
}
