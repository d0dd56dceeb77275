/** Where a number comes from. The kind travels with the value to the screen and is never upgraded on the way. */
export type SourceKind = 'published' | 'commonPractice' | 'memory' | 'judgement' | 'tuned' | 'calibrated' | 'measured';

/** A value with its standard uncertainty `u` (k = 1, same unit) and its source. */
export interface Sourced {
  value: number;
  u?: number;
  source: { kind: SourceKind; note: string };
}

/** An interval at about 95 %. One law: lifting reads `low`, limits read `high`. */
export interface Range {
  low: number;
  mean: number;
  high: number;
}

const make =
  (kind: SourceKind) =>
  (value: number, note: string, u?: number): Sourced =>
    u === undefined ? { value, source: { kind, note } } : { value, u, source: { kind, note } };

export const published = make('published');
export const commonPractice = make('commonPractice');
export const memory = make('memory');
export const judgement = make('judgement');
export const tuned = make('tuned');
export const measured = make('measured');
