import { expect, test, type Browser, type Page } from '@playwright/test';

import { Hands, visit } from './hands';
import { checkAll, stageOn, workOn } from './worker';

/** A browser of its own at this bench, in a shop of its own. */
async function ownShop(page: Page): Promise<void> {
  await visit(page, '/');
  await expect(page.getByText(/^Demo day/)).toBeVisible();
  await page.getByRole('button', { name: 'Start with an empty shop' }).click();
  await expect(page.getByText(/^The shop is empty and yours/)).toBeVisible();
}

async function another(browser: Browser, size: { width: number; height: number }): Promise<Page> {
  const context = await browser.newContext({
    viewport: size,
    serviceWorkers: 'block',
    baseURL: test.info().project.use.baseURL!,
  });
  return context.newPage();
}

/** The digits on both screens, after the newcomer has knocked with the address that the other shows. */
async function knock(host: Page, guest: Page, name: string): Promise<void> {
  const link = await host.getByTestId('join-link').innerText();
  await visit(guest, link);
  await guest.getByLabel('Name of this device').fill(name);
  await guest.getByRole('button', { name: 'Knock' }).click();
  await expect(guest.getByTestId('digits')).toHaveText(/^\d{4}$/);
  await expect(host.getByTestId('digits')).toHaveText(await guest.getByTestId('digits').innerText());
}

const letIn = (host: Page) => host.getByRole('button', { name: 'Same digits: let it in' }).click();

const edge = (page: Page, name: string) => page.getByRole('checkbox', { name: `${name} edge`, exact: true });

test('a phone and a tablet work one job together, with the line cut twice; who is taken out hears no more', async ({
  page: phone,
  browser,
}) => {
  const tablet = await another(browser, { width: 1280, height: 800 });
  const [onTablet, onPhone] = [new Hands(tablet, false), new Hands(phone, false)];
  await ownShop(tablet);
  await visit(tablet, '/devices');
  await tablet.getByRole('button', { name: 'Add a device' }).click();

  // a code that nobody has given
  await visit(phone, '/join#AAAAAAAAAAAAAAAAAAAAAA');
  await phone.getByLabel('Name of this device').fill('Phone');
  await phone.getByRole('button', { name: 'Knock' }).click();
  await expect(phone.getByRole('alert')).toContainText('Nobody answers to this code');
  await phone.getByLabel('Code').fill('short');
  await phone.getByRole('button', { name: 'Knock' }).click();
  await expect(phone.getByRole('alert')).toContainText('22 letters and digits');

  await knock(tablet, phone, 'Phone');
  // the code is spent: whoever photographed it comes too late
  const third = await another(browser, { width: 390, height: 844 });
  await visit(third, await joinLink(phone));
  await third.getByLabel('Name of this device').fill('Stranger');
  await third.getByRole('button', { name: 'Knock' }).click();
  await expect(third.getByRole('alert')).toContainText('has let another device in already');
  await onPhone.noViolations('join');
  await onTablet.noViolations('devices');
  await letIn(tablet);
  await expect(phone).toHaveURL(/\/$/);
  await expect(tablet.getByText('Phone is in.')).toBeVisible();
  await expect(tablet.getByText('Connected')).toBeVisible();

  // one begins, the other sees it
  await visit(phone, '/jobs');
  await visit(tablet, '/jobs/new');
  await tablet.getByRole('radio', { name: 'Ring-bond 6.1' }).click();
  await tablet.getByRole('button', { name: 'Open the job' }).click();
  await expect(edge(tablet, 'bottom')).toBeVisible();
  const at = new URL(tablet.url()).pathname;
  await expect(phone.getByText(/Ring-bond 6\.1/).first()).toBeVisible();
  await visit(phone, at);
  await edge(tablet, 'bottom').click();
  const tapped = Date.now();
  await expect(edge(phone, 'bottom')).toBeChecked();
  test.info().annotations.push({ type: 'from one screen to the other, ms', description: String(Date.now() - tapped) });

  // cut for the first time: each goes on
  const log = at.replace(/\/[^/]*$/, '/log');
  await visit(phone, log);
  await expect(phone.getByRole('textbox', { name: 'Note' })).toBeVisible();
  await phone.context().setOffline(true);
  await edge(tablet, 'left').click();
  await phone.getByRole('textbox', { name: 'Note' }).fill('from the phone');
  await phone.getByRole('button', { name: 'Add the note' }).click();
  await expect(phone.getByText(/note: from the phone/)).toBeVisible();
  await expect(edge(tablet, 'left')).toBeChecked();
  await phone.context().setOffline(false);
  await visit(phone, at);
  for (const e of ['bottom', 'left']) await expect(edge(phone, e)).toBeChecked();
  await visit(tablet, log);
  await expect(tablet.getByText(/note: from the phone/)).toBeVisible();
  await visit(tablet, at);

  // and for the second, over a page that is loaded anew
  await phone.context().setOffline(true);
  await tablet.getByRole('button', { name: 'All of this is so' }).click();
  await tablet.getByRole('button', { name: 'Use this repair. Go to Heat' }).click();
  await expect(tablet).toHaveURL(/\/heat/);
  await tablet.reload();
  await phone.context().setOffline(false);
  await visit(phone, `${at.replace(/\/[^/]*$/, '')}/heat`);
  await expect.poll(() => stageOn(phone)).toBe('Heat');
  await onPhone.tick('At hand: picks, blade, gloves, eye cover. Alcohol put away');
  await expect(tablet.getByRole('checkbox', { name: /^At hand: / })).toBeChecked();

  // taken out: what it has stays there
  await visit(tablet, '/devices');
  const out = tablet.getByRole('button', { name: /^Take Phone out/ });
  await out.hover();
  await tablet.mouse.down();
  await expect(tablet.getByText('No other device belongs to this shop yet.')).toBeVisible();
  await tablet.mouse.up();
  await visit(phone, '/devices');
  await expect(phone.getByText(/^This device was taken out/)).toBeVisible();
  await visit(phone, '/jobs');
  await expect(phone.getByText(/Ring-bond 6\.1/).first()).toBeVisible();
  await third.context().close();
  await tablet.context().close();
});

const joinLink = async (page: Page) => page.url();

test('a job on loan is all that its holder sees, and comes back when it is taken back', async ({ page, browser }) => {
  await ownShop(page);
  for (let i = 0; i < 2; i++) {
    await visit(page, '/jobs/new');
    await page.getByRole('radio', { name: 'Ring-bond 6.1' }).click();
    await page.getByRole('button', { name: 'Open the job' }).click();
    await expect(edge(page, 'bottom')).toBeVisible();
  }
  const at = new URL(page.url()).pathname;
  await visit(page, '/devices');
  await page.getByRole('button', { name: 'Lend one job' }).click();
  await page.getByRole('radio').last().click();
  await page.getByRole('button', { name: 'Make a code for it' }).click();
  const guest = await another(browser, { width: 390, height: 844 });
  await knock(page, guest, 'Second person');
  await letIn(page);
  await expect(guest).toHaveURL(/\/$/);
  await visit(guest, '/jobs');
  await expect(guest.getByText(/Ring-bond 6\.1/)).toHaveCount(1);
  await page.getByRole('button', { name: /^Take .* back$/ }).waitFor();
  await visit(
    guest,
    await guest
      .getByRole('link', { name: /Ring-bond 6\.1/ })
      .first()
      .getAttribute('href')
      .then((x) => x ?? at),
  );
  await expect(edge(guest, 'bottom')).toBeVisible();
  await edge(guest, 'bottom').click();
  const lent = new URL(guest.url()).pathname;
  await visit(page, lent);
  await expect(edge(page, 'bottom')).toBeChecked();
  await visit(page, '/devices');
  await page.getByRole('button', { name: /^Take .* back$/ }).click();
  await expect(page.getByText(/was with Second person$/)).toBeVisible();
  await visit(guest, '/devices');
  await expect(guest.getByText(/^This device was taken out, or the job taken back/)).toBeVisible();
  // and leaves: what it has stays there, and it belongs to nobody any more
  await guest.getByRole('button', { name: /^Leave this shop/ }).hover();
  await guest.mouse.down();
  await expect(guest.getByRole('button', { name: 'Add a device' })).toBeVisible();
  await guest.mouse.up();
  await guest.reload();
  await expect(guest.getByRole('button', { name: 'Add a device' })).toBeVisible();
  await expect(guest.getByText(/^On loan from/)).toHaveCount(0);
  await visit(guest, '/jobs');
  await expect(guest.getByText(/Ring-bond 6\.1/).first()).toBeVisible();
  await guest.context().close();
});

test('from the demo to an own shop to a first job handed over, with its three hints', async ({ page }) => {
  test.setTimeout(240_000);
  await page.clock.install({ time: new Date('2026-04-14T13:00:00') });
  const h = new Hands(page, false);
  await ownShop(page);
  await h.press('To the bench');
  await h.press('New job');
  await h.press(page.getByRole('radio', { name: 'Ring-bond 6.1' }));
  await h.press('Open the job');
  await expect(page.getByText('First job, hint 1 of 3')).toBeVisible();
  await h.press('I see');
  await expect(page.getByText(/^First job, hint/)).toHaveCount(0);
  await h.tick('bottom edge');
  await h.press('All of this is so');
  await h.press('Use this repair. Go to Heat');
  await expect.poll(() => stageOn(page)).toBe('Heat');
  await expect(page.getByText('First job, hint 2 of 3')).toBeVisible();
  const seen = [];
  for (let i = 0; i < 12; i++) {
    const stage = await stageOn(page);
    seen.push(stage);
    if (/Hand over/.test(stage)) break;
    if (stage === 'Heat') {
      await h.tick('At hand: picks, blade, gloves, eye cover. Alcohol put away');
      await h.press('On the plate');
      await h.wait(140_000);
      await h.press('Off the plate');
      await expect(page.getByText('First job, hint 3 of 3')).toBeVisible();
    } else if (stage === 'Check') await checkAll(h, page);
    else await workOn(h, page);
  }
  expect(seen.at(-1)).toMatch(/Hand over/);
  await h.hold(h.button(/^Handed over, hold/));
  await expect(h.call()).toContainText('Handed over');
  await visit(page, '/records');
  await expect(page.getByText(/Ring-bond 6\.1/).first()).toBeVisible();
});
