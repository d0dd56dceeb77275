import { leadToMissing } from './missing';

/**
 * Marks the main button of a page, and what is held in place of tapped, so that a pedal finds them; and what moves the work on,
 * so that the page shows the next thing.
 */
export const mainMark = (main: boolean, held = false, onward = false): object => ({
  dataSet: {
    ...(main ? { main: 'true' } : {}),
    ...(held ? { held: 'true' } : {}),
    ...(main || onward ? { onward: 'true' } : {}),
  },
});

const hidden = '[inert],[aria-hidden="true"],[style*="display: none"]';

/** The main button of the page that is seen: pages that were left stay behind it, hidden. */
const seen = (): HTMLElement | undefined =>
  [...document.querySelectorAll<HTMLElement>('[data-main="true"]')].filter((e) => !e.closest(hidden)).at(-1);

/** A single thing can be said by a pedal; one of several is chosen by hand. */
const single = (e: Element | null): e is HTMLElement =>
  e instanceof HTMLElement &&
  e.closest('[data-missing="true"]') !== null &&
  (e.tagName === 'A' || ['checkbox', 'button'].includes(e.getAttribute('role') ?? ''));

/**
 * The main thing of the page without a finger. Where its button waits for something, the first press leads there, and the next
 * one says it, where it is a single thing to be said.
 * @param repeated the key is held down: a second press is none
 */
export function pressMain(repeated: boolean): void {
  const button = seen();
  if (!button) return;
  const waits = button.getAttribute('aria-disabled') === 'true';
  const thing = waits ? document.activeElement : button;
  if (waits && !single(thing)) {
    if (!repeated) leadToMissing();
  } else if (thing instanceof HTMLElement) {
    if (thing.dataset.held) held = hold(thing, 'keydown');
    else if (!repeated) thing.click();
  }
}

/** What the pedal holds now. */
let held: HTMLElement | null = null;

/** The pedal is let go: what is held, is let go. */
export function releaseMain(): void {
  if (held) hold(held, 'keyup');
  held = null;
}

/** What is sent to a held button, which no pedal sent. */
const sent = new WeakSet<Event>();
export const isSent = (e: Event): boolean => sent.has(e);

function hold(button: HTMLElement, type: 'keydown' | 'keyup'): HTMLElement {
  const event = new KeyboardEvent(type, { key: 'Enter', bubbles: true });
  sent.add(event);
  button.dispatchEvent(event);
  return button;
}
