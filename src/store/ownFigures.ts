import { setFromText } from '@/core/ownFiguresText';
import type { OwnFigure } from '@/core/source';

const key = 'northcove.figures';

const storage = (): Storage | null => {
  try {
    return typeof localStorage === 'undefined' ? null : localStorage;
  } catch {
    return null;
  }
};

function mirrored(): string | null {
  try {
    return storage()?.getItem(key) ?? null;
  } catch {
    return null;
  }
}

/** First of all in the page's entry: figures are made when their modules are loaded, and the settings are read only later. */
export const setFiguresFirst = (): void => setFromText(mirrored());

const sorted = (figures: Readonly<Record<string, OwnFigure>>) =>
  JSON.stringify(Object.fromEntries(Object.entries(figures).sort(([a], [b]) => (a < b ? -1 : 1))));

/**
 * Keeps the settings' own figures where the next load finds them at once.
 * @returns true when this load still counts with others: the page is to be loaded anew
 */
export function mirrorFigures(figures: Readonly<Record<string, OwnFigure>>): boolean {
  const text = sorted(figures);
  // the text itself is compared: whatever a file brought as a key, the next load finds what this one wrote and goes on
  if (text === (mirrored() ?? '{}')) return false;
  try {
    if (Object.keys(figures).length) storage()?.setItem(key, text);
    else storage()?.removeItem(key);
    return storage() !== null;
  } catch {
    return false;
  }
}
