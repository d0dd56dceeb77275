/**
 * How far somebody's guesses of the line are off: mean and standard deviation of what was said less what it was, K.
 * Null with fewer than three.
 */
export function guessError(saidLessTrueK: readonly number[]): { meanK: number; spreadK: number; n: number } | null {
  const n = saidLessTrueK.length;
  if (n < 3) return null;
  const meanK = saidLessTrueK.reduce((a, b) => a + b, 0) / n;
  const spreadK = Math.sqrt(saidLessTrueK.reduce((a, b) => a + (b - meanK) ** 2, 0) / (n - 1));
  return { meanK, spreadK, n };
}
