import { expect, type Locator, type Page } from '@playwright/test';
import axe from 'axe-core';

/** A person at the screen: taps on a phone, and on the wide screen nothing but keys. */
export class Hands {
  constructor(
    readonly page: Page,
    readonly keyboard: boolean,
  ) {}

  /** how often something was pressed, held or typed into so far */
  taps = 0;

  button(name: string | RegExp): Locator {
    return this.page.getByRole('button', { name, exact: typeof name === 'string' }).first();
  }

  /** Pages whose order of keys was gone through. */
  private readonly tabbed = new Set<string>();

  /**
   * Moves the focus to a target by keys: what cannot be reached by key fails here. The first time on a page it is gone to
   * with Tab, from stop to stop; after that, what is a stop of that order is focused at once.
   */
  async tabTo(target: Locator): Promise<void> {
    await expect(target).toBeVisible();
    const path = new URL(this.page.url()).pathname;
    if (this.tabbed.has(path)) {
      const stop = await target.evaluate((e) => {
        const off = e.closest('[inert]') !== null || (e as HTMLButtonElement).disabled;
        const reached = (e as HTMLElement).tabIndex >= 0 && !off;
        if (reached) (e as HTMLElement).focus();
        return reached && e === document.activeElement;
      });
      if (!stop) throw new Error(`the keyboard does not reach ${String(target)}`);
      return;
    }
    // as many stops as lie between at a glance, then stop by stop until it has the focus
    const ahead = await target.evaluate((e) => {
      const stops = [...document.querySelectorAll<HTMLElement>('a[href], button, input, textarea, select, [tabindex]')]
        .filter((x) => x.tabIndex >= 0 && !(x as HTMLButtonElement).disabled && !x.closest('[inert]'))
        .filter((x) => x.getClientRects().length > 0);
      const at = (x: Element | null) => stops.indexOf(x as HTMLElement);
      return at(e) - Math.max(0, at(document.activeElement)) - 2;
    });
    for (let i = 0; i < ahead; i++) await this.page.keyboard.press('Tab');
    for (let i = 0; i < 250; i++) {
      if (await target.evaluate((e) => e === document.activeElement)) {
        this.tabbed.add(path);
        return;
      }
      await this.page.keyboard.press('Tab');
    }
    throw new Error(`the keyboard does not reach ${String(target)}`);
  }

  async press(target: Locator | string): Promise<void> {
    const t = typeof target === 'string' ? this.button(target) : target;
    await expect(t).toBeEnabled();
    this.taps++;
    if (!this.keyboard) return t.tap();
    await this.tabTo(t);
    await this.page.keyboard.press('Enter');
  }

  async choose(group: string, option: string): Promise<void> {
    const t = this.page.getByRole('radio', { name: `${group}: ${option}`, exact: true });
    await this.press(t);
    await expect(t).toBeChecked();
  }

  async tick(label: string): Promise<void> {
    const t = this.page.getByRole('checkbox', { name: label, exact: true });
    await this.press(t);
    await expect(t).toBeChecked();
  }

  /** Types into the field that has the focus or gets it, and confirms with Enter. */
  async type(target: Locator, text: string): Promise<void> {
    this.taps++;
    if (this.keyboard) await this.tabTo(target);
    else await target.tap();
    await target.fill(text);
    await this.page.keyboard.press('Enter');
  }

  async hold(target: Locator): Promise<void> {
    this.taps++;
    if (this.keyboard) {
      await this.tabTo(target);
      await this.page.keyboard.down('Enter');
    } else {
      await target.hover();
      await this.page.mouse.down();
    }
    await this.page.clock.runFor(1500);
    if (this.keyboard) await this.page.keyboard.up('Enter');
    else await this.page.mouse.up();
  }

  /** Time goes by on a page whose clock is the test's: at once, the last two seconds tick by tick. */
  async wait(ms: number): Promise<void> {
    await this.page.clock.fastForward(ms - 2000);
    await this.page.clock.runFor(2000);
  }

  /** Time goes by until the call says so: four seconds at a time, of which the last goes tick by tick. */
  async until(says: RegExp, mostMs = 600_000): Promise<void> {
    for (let gone = 0; gone < mostMs && !says.test((await this.call().textContent()) ?? ''); gone += 4000) {
      await this.page.clock.fastForward(3000);
      await this.page.clock.runFor(1000);
    }
    await expect(this.call()).toHaveText(says);
  }

  call(): Locator {
    return this.page.getByTestId('call');
  }

  async noViolations(where: string): Promise<void> {
    // between two pages there is a moment without one
    await expect(this.page.getByRole('heading', { level: 1 }).first()).toBeVisible();
    // brought in once for each page that is loaded: half of what looking costs
    if (!(await this.page.evaluate(() => 'axe' in window))) await this.page.evaluate(axe.source);
    const violations = await this.page.evaluate(async () => {
      const { violations } = await (window as unknown as { axe: typeof axe }).axe.run(document, {
        // what is in order is not listed: a third of the work
        resultTypes: ['violations'],
      });
      return violations.map((v) => `${v.id} ${v.nodes[0]?.html.slice(0, 160)}`);
    });
    expect(violations.map((v) => `${where}: ${v}`)).toEqual([]);
  }
}

/** The demo in a browser that was never here, at a page of it: only who wants the Bench waits for its plan. */
export async function openDemo(page: Page, at = '/'): Promise<void> {
  if (at === '/' || at.startsWith('/jobs/')) {
    await page.goto(at);
    if (at === '/') return expect(page.getByTestId('next')).toBeVisible();
    // until the demo is in, its jobs are not there, and the page says so or nothing yet
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
    return expect(page.getByText(`J-${/demo-(\d+)/.exec(at)![1]}`).first()).toBeVisible();
  }
  // its jobs come last
  await page.goto('/jobs');
  await expect(page.getByText(/^J-0143 ·/).first()).toBeVisible();
  if (at !== '/jobs') await visit(page, at);
}

/** The page of a new job with this model chosen, at two minutes past one. */
export async function newJobOf(page: Page, project: string, model: string): Promise<Hands> {
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  const h = new Hands(page, isKeyboard(project));
  await openDemo(page, '/jobs');
  await visit(page, '/jobs/new');
  await h.press(page.getByRole('radio', { name: model }));
  return h;
}

export const isKeyboard = (project: string) => project === 'wide';

/**
 * On to another page of the application, as a link or a typed address of a page that is open does it. A page that was not
 * there yet, or the same once more, is loaded. Ends when the page before is gone.
 */
export async function visit(page: Page, path: string): Promise<void> {
  const here = page.url();
  const to = here.startsWith('http') ? new URL(path, here) : null;
  if (!to || to.href === here || to.origin !== new URL(here).origin) return void (await page.goto(path));
  await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
  await page.evaluate((at) => {
    for (const h of document.querySelectorAll('h1')) h.dataset.left = '';
    history.pushState(null, '', at);
    dispatchEvent(new PopStateEvent('popstate'));
  }, path);
  await expect(page.locator('h1[data-left]').filter({ visible: true })).toHaveCount(0);
  await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
}
