import { bare } from './bare';
import { ownFigures, setOwnFigures, type OwnFigure } from './source';

/** Own figures out of a text that is not trusted: whatever is no figure with a reason is left out. */
export function readOwnFigures(text: string | null): Record<string, OwnFigure> {
  const out = bare<OwnFigure>();
  try {
    const data: unknown = JSON.parse(text || '{}');
    if (typeof data !== 'object' || data === null) return out;
    for (const [key, x] of Object.entries(data as Record<string, Partial<OwnFigure> | null>))
      if (x && typeof x.value === 'number' && Number.isFinite(x.value) && typeof x.because === 'string')
        out[key] = { value: x.value, because: x.because };
  } catch {
    // not a text of ours: the shipped figures stand
  }
  return out;
}

/** Sets the own figures that a text holds; called before any module with figures is loaded. */
export const setFromText = (text: string | null): void => setOwnFigures(readOwnFigures(text));

/** The text that hands the own figures to a worker, by its name. */
export const ownFiguresText = (): string => JSON.stringify(ownFigures());
