/** Impossible input: names the field and the allowed range, so that a screen can say it beside the field. */
export class CoreInputError extends Error {
  constructor(
    readonly field: string,
    readonly given: unknown,
    readonly allowed: string,
  ) {
    super(`${field}: ${String(given)} does not work; it takes ${allowed}`);
    this.name = 'CoreInputError';
  }
}

/**
 * Returns the value, or throws {@link CoreInputError} when it is not a finite number in [low, high].
 * @throws CoreInputError
 */
export function requireIn(field: string, value: number, low: number, high: number, unit = ''): number {
  if (!Number.isFinite(value) || value < low || value > high)
    throw new CoreInputError(field, value, `${low} to ${high}${unit ? ` ${unit}` : ''}`);
  return value;
}
