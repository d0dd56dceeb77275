import { own as ownOf } from './bare';

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

/** What a shop knows better than a judgement of ours: its own value, and why. */
export interface OwnFigure {
  value: number;
  because: string;
}

/** Kinds that a shop may put its own value in place of: nobody outside stands behind them. */
const editable: ReadonlySet<SourceKind> = new Set(['judgement', 'tuned']);
/** May a shop put its own value in place of a figure of this kind. */
export const mayEdit = (kind: string): boolean => editable.has(kind as SourceKind);

/** A figure's name for good: what it is worth as shipped, and what its note says. Figures that share both are one judgement. */
export const figureKey = (kind: string, value: number, note: string): string => `${kind} ${value} ${note}`;

/** Range that an own value may have: a tenth to ten times of what is shipped, in the unit of the value. */
export function figureRange(shipped: number): { low: number; high: number } {
  const [a, b] = shipped === 0 ? [-100, 100] : [shipped / 10, shipped * 10];
  return { low: Math.min(a, b), high: Math.max(a, b) };
}

let own: Readonly<Record<string, OwnFigure>> = {};

/**
 * Puts a shop's own values in place of judgements. Figures are made when their modules are loaded, so this comes before every
 * one of them: in the page's entry, and in each worker's. What is out of range is left out.
 */
export function setOwnFigures(figures: Readonly<Record<string, OwnFigure>>): void {
  own = figures;
}
/** The own values as they were set, to be handed to a worker. */
export const ownFigures = (): Readonly<Record<string, OwnFigure>> => own;

const make =
  (kind: SourceKind) =>
  (shipped: number, text: string, u?: number): Sourced => {
    const shop = editable.has(kind) ? ownOf(own, figureKey(kind, shipped, text)) : undefined;
    const { low, high } = figureRange(shipped);
    const used = shop && shop.value >= low && shop.value <= high ? shop : null;
    const value = used ? used.value : shipped;
    const note = used ? `${text}; this shop: ${used.because} (shipped ${shipped})` : text;
    return u === undefined ? { value, source: { kind, note } } : { value, u, source: { kind, note } };
  };

export const published = make('published');
export const commonPractice = make('commonPractice');
export const memory = make('memory');
export const judgement = make('judgement');
export const tuned = make('tuned');
export const measured = make('measured');
