import { readFileSync } from 'node:fs';

import { expect, test, type Page } from '@playwright/test';
import DxfReader from 'dxf-parser';
import ICAL from 'ical.js';

import { Hands, isKeyboard, openDemo, visit } from './hands';

const minute = 60_000;
const job = '/jobs/demo-0143';

const save = async (page: Page, h: Hands, label: string) => {
  const [file] = await Promise.all([page.waitForEvent('download'), h.press(label)]);
  return { name: file.suggestedFilename(), text: readFileSync((await file.path())!, 'utf8') };
};

test('one device bonded by each school to its cure: files measured, reloaded while the bead lies open', async ({
  page,
}, info) => {
  test.setTimeout(400_000);
  page.setDefaultTimeout(20_000);
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  const h = new Hands(page, isKeyboard(info.project.name));
  const readings = page.getByRole('list', { name: 'Readings' });
  let laidMl = 0;
  await openDemo(page, `${job}/bond`);

  const beforeClosing = async () => {
    await h.tick('Lenses blown off once more');
    await h.tick('Photo of the open inside, or none wanted');
    await h.tick('All of these work');
  };
  /** Held, and the clock of this school looked at; then a bump is found and it is opened again. */
  const cureAndOpen = async (mark: RegExp) => {
    await expect(page).toHaveURL(/\/cure$/);
    await h.press(h.button(/^(Clamps on|It is held)$/));
    await expect(h.call()).toHaveText(mark);
    await h.press('A bump, or it sits wrong');
    await page.getByRole('textbox', { name: 'What is trapped or wrong' }).fill('a crumb');
    await h.hold(h.button(/^Opened again, hold/));
    await expect(page).toHaveURL(/\/bond$/);
  };

  await test.step('pre-cut ring', async () => {
    await h.choose('Way of bonding', 'new pre-cut ring');
    await expect(h.button(/^Ring laid and closed: blow the lenses off first$/)).toBeVisible();
    await beforeClosing();
    await h.noViolations('bond, ring');
    await h.press('Ring laid and closed');
    await h.noViolations('cure, tape');
    await cureAndOpen(/^Clamps off in \d+ min\.$/);
  });

  await test.step('tape: the template and the cutter’s file have the length of the cut list', async () => {
    await h.choose('Way of bonding', 'tape cut in strips');
    await expect(h.call()).toHaveText(/^Cut \d+ pieces, \d+ mm of tape\.$/);
    const [, pieces, roll] = /Cut (\d+) pieces, (\d+) mm/.exec((await h.call().textContent())!)!;
    const tape = Number(/^(\d+) mm/.exec((await readings.textContent())!)![1]);
    const svg = await save(page, h, 'Template 1:1, SVG');
    // measured by the browser that draws it: lengths of the long edges, in user units of a millimetre
    const drawn = await page.evaluate((text) => {
      const doc = new DOMParser().parseFromString(text, 'image/svg+xml');
      const root = doc.documentElement as unknown as SVGSVGElement;
      document.body.append(root);
      const cut = [...root.querySelectorAll<SVGPolygonElement>('#cut polygon')];
      const long = cut.map((p) => Math.hypot(p.points[1]!.x - p.points[0]!.x, p.points[1]!.y - p.points[0]!.y));
      const bar = root.querySelector<SVGPathElement>('#scale path')!.getBBox().width;
      const perMm = root.width.baseVal.value / root.viewBox.baseVal.width;
      root.remove();
      return { count: cut.length, total: long.reduce((a, b) => a + b, 0), bar, perMm };
    }, svg.text);
    expect(drawn.count).toBe(Number(pieces));
    expect(Math.abs(drawn.total - tape)).toBeLessThan(0.6);
    expect(Math.abs(drawn.total + drawn.count * 0.5 - Number(roll))).toBeLessThan(0.6);
    expect(drawn.bar).toBeCloseTo(50, 2);
    // a millimetre of the page is a millimetre of the drawing: 96 px to the inch
    expect(drawn.perMm).toBeCloseTo(96 / 25.4, 3);
    const dxf = new DxfReader().parseSync((await save(page, h, 'For a cutter, DXF')).text)!;
    const long = dxf.entities
      .filter((e) => e.layer === 'CUT')
      .map((e) => (e as unknown as { vertices: { x: number; y: number }[] }).vertices)
      .map(([p, q]) => Math.hypot(q!.x - p!.x, q!.y - p!.y));
    expect(long).toHaveLength(Number(pieces));
    expect(Math.abs(long.reduce((a, b) => a + b, 0) - drawn.total)).toBeLessThan(0.05);
    await beforeClosing();
    await h.noViolations('bond, tape');
    await h.press('Laid and closed');
    await cureAndOpen(/^Clamps off in \d+ min\.$/);
  });

  await test.step('no solvent glue while a phone lies on the plate', async () => {
    await h.choose('Way of bonding', 'liquid bead');
    await expect(h.button('Start laying: J-0142 is on a heater: solvent vapour burns')).toBeVisible();
    await visit(page, '/jobs/demo-0142/heat');
    await h.wait(60_000);
    await h.press('Off the plate');
    await expect(page).toHaveURL(/\/lift$/);
    await visit(page, `${job}/bond`);
    await h.choose('Way of bonding', 'liquid bead');
    await expect(h.button('Start laying')).toBeEnabled();
  });

  await test.step('bead: a cold tube and no width are named; laid with the mark, reloaded, closed in its window', async () => {
    const width = page.getByRole('textbox', { name: /^Width of the bead once closed/ });
    await h.type(width, '0');
    await expect(page.getByRole('alert').first()).toContainText('enter 0.3 to 1.8 mm (you entered 0)');
    await h.type(width, '1.4');
    await h.type(page.getByRole('textbox', { name: /^Temperature of the tube/ }), '-5');
    await expect(page.getByRole('alert').first()).toContainText('enter 5 to 40 °C (you entered -5)');
    await h.type(page.getByRole('textbox', { name: /^Temperature of the tube/ }), '22');
    await h.noViolations('bond, bead');
    laidMl = Number(/Lay ([\d.]+) ml/.exec((await h.call().textContent())!)![1]);
    await h.press('Start laying');
    await expect(h.call()).toContainText('Follow the mark');
    await h.wait(36_000);
    await h.noViolations('bond, laying');
    await h.press('All of it is laid');
    await expect(h.call()).toHaveText(/^Leave it open\. Close in [\d hmins]+\.$/);
    const left = async () => {
      const [, m, s] = /Close in (?:(\d+) min)? ?(?:(\d+) s)?/.exec((await h.call().textContent())!)!;
      return Number(m ?? 0) * 60 + Number(s ?? 0);
    };
    const before = await left();
    await page.reload();
    await expect(h.call()).toHaveText(/^Leave it open\. Close in [\d hmins]+\.$/);
    const after = await left();
    expect(after).toBeLessThanOrEqual(before);
    // said to ten seconds at most
    expect(before - after).toBeLessThan(21);
    await h.wait(after * 1000 + 6500);
    await expect(h.call()).toHaveText(/^Close now: [\d hmins]+ left\.$/);
    await h.noViolations('bond, open');
    await beforeClosing();
    await h.press('Closed and pressed');
  });

  await test.step('bead: held, shelved, its ends in a calendar, the usual end unlocks', async () => {
    await h.press(h.button(/^(Clamps on|It is held)$/));
    await expect(h.call()).toHaveText(/^Clamps off in [\d hmins]+\.$/);
    await h.press(page.getByRole('radio', { name: /^Place on the shelf: A1/ }));
    const { name, text } = await save(page, h, 'Times as a calendar file');
    expect(name).toBe('J-0143-cure.ics');
    const events = new ICAL.Component(ICAL.parse(text)).getAllSubcomponents('vevent').map((v) => new ICAL.Event(v));
    expect(events.map((e) => e.summary)).toEqual([
      'J-0143: Clamps off',
      'J-0143: Work goes on',
      'J-0143: Hand over',
      'J-0143: Press or air test',
      'J-0143: Full bond',
    ]);
    const span = (i: number) => events[i]!.startDate.toJSDate().getTime() - events[0]!.startDate.toJSDate().getTime();
    // a 1.4 mm joint breathing at one edge needs two days and more
    expect(span(4)).toBeGreaterThan(40 * 60 * minute);
    await h.press('Why six hours, and why a day');
    await expect(page.getByRole('slider', { name: /^Solvent left over \d+ hours/ })).toBeVisible();
    await h.noViolations('cure, bead');
    await page.clock.fastForward(60 * minute);
    await h.press('Clamps off');
    await h.press('It held');
    await h.press('A bump, or it sits wrong');
    await page.getByRole('textbox', { name: 'What is trapped or wrong' }).fill('a hair');
    await h.hold(h.button(/^Opened again, hold/));
    await expect(page).toHaveURL(/\/bond$/);
  });

  await test.step('old ring, topped up, and glue all over, with a sealant', async () => {
    for (const school of ['old ring, topped up', 'glue all over']) {
      await h.choose('Way of bonding', school);
      await h.press(page.getByRole('radio', { name: /^Glue: moisture/ }));
      await h.press('Start laying');
      await expect(h.call()).toContainText('Follow the mark');
      await h.wait(20_000);
      await h.press('All of it is laid');
      await expect(h.call()).toHaveText(/^Close now: [\d hmins]+ left\.$/);
      await beforeClosing();
      await h.press('Closed and pressed');
      await cureAndOpen(/^Clamps off in [\d hmins]+\.$/);
    }
  });

  await test.step('stock: all of it is drawn off', async () => {
    await visit(page, '/stock');
    await expect(page.getByText('Offcuts: ', { exact: false }).first()).toBeVisible();
    await h.noViolations('stock');
    // 11.2 ml of clear glue less one bead
    const clear = await page.getByText(/^11\.\d\d ml left by the log\.$/).textContent();
    expect(Math.abs(11.2 - laidMl - Number.parseFloat(clear!))).toBeLessThan(0.011);
    const sealant = page.getByText(/^2[34]\.\d\d ml left by the log\.$/);
    await expect(sealant).not.toHaveText('24.00 ml left by the log.');
    await h.press('Pre-cut rings');
    await expect(page.getByRole('textbox', { name: /^Rings for Ring-bond 5\.4/ })).toHaveValue('0');
  });
});

test(
  'dry fit with number keys and the simulated gauge: read, slide, read again',
  { tag: '@wide' },
  async ({ page }, info) => {
    test.setTimeout(200_000);
    page.setDefaultTimeout(20_000);
    await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
    const h = new Hands(page, isKeyboard(info.project.name));
    await openDemo(page, `${job}/dryFit`);
    await expect(h.call()).toHaveText('Is the gap even all round?');
    await h.noViolations('dry fit, by eye');
    await h.press('Measure instead');
    await expect(h.call()).toContainText('Gap at 1:');
    const from = h.keyboard ? 0 : 1;
    if (!h.keyboard) {
      for (const k of ['0', 'point', '2', '1']) await page.getByRole('button', { name: k, exact: true }).tap();
      await h.noViolations('dry fit, keys');
      await h.press('Next point');
      await expect(h.call()).toContainText('Gap at 2:');
    }
    for (let i = from; i < 16; i++) {
      await expect(h.call()).toContainText(`Gap at ${i + 1}:`);
      await h.press('Read the gauge');
      if (i < 15) await expect(h.call()).toContainText(`Gap at ${i + 2}:`);
    }
    await expect(h.call()).toHaveText(/^(Slide|Turn|Leave|It does not fit)/);
    await h.press(h.button(/^Cameras in their holes/));
    for (const side of ['left', 'right', 'top', 'bottom'])
      await h.type(page.getByRole('textbox', { name: new RegExp(`^Camera 1, ${side}`) }), '0.25');
    await expect(page.getByText(/^Camera 1: 0\.00 mm off/)).toBeVisible();
    await h.noViolations('dry fit, done');
  },
);
