import { expect, test, type Page } from '@playwright/test';

import { Hands, isKeyboard, openDemo, visit } from './hands';

interface Heard {
  text: string;
  at: number;
  lang: string;
  volume: number;
}

/** A browser's voice that writes down what it was asked to say, and when. */
async function standIn(page: Page, langs = ['en-GB', 'es-ES']): Promise<void> {
  await page.addInitScript((spoken) => {
    const heard: object[] = [];
    class Utterance {
      voice = null;
      lang = '';
      volume = 1;
      constructor(public text: string) {}
    }
    const synthesis = {
      getVoices: () => spoken.map((lang) => ({ lang, name: lang, localService: true })),
      speak: (u: Utterance) => heard.push({ text: u.text, at: Date.now(), lang: u.lang, volume: u.volume }),
      cancel: () => {},
    };
    Object.assign(window, { SpeechSynthesisUtterance: Utterance, heard });
    Object.defineProperty(window, 'speechSynthesis', { value: synthesis });
  }, langs);
}
const heardOn = (page: Page) => page.evaluate(() => (window as unknown as { heard: Heard[] }).heard);

test('calls are said at their instant, once, as loud as was set; two fingers say the last one again; quiet hours keep quiet', async ({
  page,
}, info) => {
  test.setTimeout(180_000);
  await standIn(page);
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  const h = new Hands(page, isKeyboard(info.project.name));
  await openDemo(page, '/shop');
  await h.press(page.getByRole('radio', { name: 'Calls said aloud: All of them' }));
  await h.press('Say one');
  expect((await heardOn(page)).map((x) => x.text)).toEqual(['Off now. Bottom edge.']);
  await expect(page.getByText('Said by a voice.')).toBeVisible();
  // a pedal that sends a key is taught by pressing it
  await h.press('Teach it');
  await page.keyboard.press('F8');
  await expect(page.getByTestId('pedal')).toContainText('F8');
  await h.noViolations('shop, voice');

  await visit(page, '/jobs/demo-0143/heat');
  await expect(h.call()).toContainText(/easy by/, { timeout: 60_000 });
  await h.tick('At hand: picks, blade, gloves, eye cover. Alcohol put away');
  await expect(h.button(/^On the plate/)).toBeEnabled();
  await page.keyboard.press('F8');
  await expect(h.button('Off the plate')).toBeVisible();
  const onAt = await page.evaluate(() => Date.now());
  // seen from two metres
  await h.press('Glance');
  const glance = page.getByTestId('glance');
  await expect(glance).toContainText('WAIT');
  await page.clock.runFor(2000);
  const left = /(\d+):(\d\d)/.exec((await glance.textContent())!)!;
  const openAt = (await page.evaluate(() => Date.now())) + (Number(left[1]) * 60 + Number(left[2])) * 1000;
  expect(openAt - onAt).toBeGreaterThan(40_000);
  await page.clock.runFor(openAt - (await page.evaluate(() => Date.now())) + 3000);
  await expect(glance).toContainText('OFF NOW');
  const heard = (await heardOn(page)).filter((x) => x.at >= onAt);
  expect(heard.map((x) => x.text)).toEqual(['30 seconds.', 'Off now. Bottom edge.']);
  // the screen shows whole seconds, the forecast moves by tenths
  expect(Math.abs(heard[1]!.at - openAt)).toBeLessThan(1500);
  expect(Math.abs(heard[1]!.at - heard[0]!.at - 30_000)).toBeLessThan(1000);
  expect(heard[1]).toMatchObject({ lang: 'en-GB', volume: 1 });
  await glance.tap();
  await expect(glance).toBeHidden();
  // once more
  await page.keyboard.press('r');
  expect((await heardOn(page)).at(-1)!.text).toBe('Off now. Bottom edge.');
  // off by the pedal: the next edge is said, with its depth
  await page.keyboard.press('F8');
  await expect(page).toHaveURL(/lift/);
  await page.clock.runFor(1500);
  await expect(async () =>
    expect((await heardOn(page)).at(-1)!.text).toMatch(/^Bottom edge next, \d+ mm deep\.$/),
  ).toPass();
  await h.press('Glance');
  await expect(page.getByTestId('glance')).toContainText(/GO|SLOW/);
  await expect(page.getByTestId('glance').getByRole('img')).toHaveAccessibleName('bottom edge');
  await page.keyboard.press('Escape');
  await expect(page.getByTestId('glance')).toBeHidden();

  await test.step('in quiet hours nothing is said; a language without a voice says so', async () => {
    const before = (await heardOn(page)).length;
    await visit(page, '/shop');
    await h.press(page.getByRole('radio', { name: 'Quiet hours: From … to …' }));
    await page.getByRole('textbox', { name: 'Quiet from' }).fill('12');
    await page.keyboard.press('Enter');
    await page.getByRole('textbox', { name: 'Quiet until' }).fill('16');
    await page.keyboard.press('Enter');
    await page.goto('/jobs/demo-0143/lift');
    await page.clock.runFor(120_000);
    // what was heard is counted anew since the page was loaded
    expect(before).toBeGreaterThan(0);
    expect(await heardOn(page)).toEqual([]);
  });
});

test('without a voice a tone is played in its place, and the shop is told', async ({ page }, info) => {
  await standIn(page, []);
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  const h = new Hands(page, isKeyboard(info.project.name));
  await openDemo(page, '/shop');
  await h.press('Say one');
  await expect(page.getByText(/a tone is played|keeps silent/)).toBeVisible();
  expect(await heardOn(page)).toEqual([]);
});
