/** Marks what still has to be answered, so that a button that waits for it can lead there. */
export const missingMark = (missing: boolean): object => (missing ? { dataSet: { missing: 'true' } } : {});

/** Brings the first open answer of the page before the eyes and gives it the focus. @returns false when there is none */
export function leadToMissing(): boolean {
  if (typeof document === 'undefined') return false;
  const first = document.querySelector<HTMLElement>('[data-missing="true"]');
  if (!first) return false;
  first.scrollIntoView?.({ block: 'center' });
  const stop = first.matches('[tabindex],button,a,input') ? first : first.querySelector<HTMLElement>('[tabindex="0"]');
  stop?.focus({ preventScroll: true });
  return true;
}
