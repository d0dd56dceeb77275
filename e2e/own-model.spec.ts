import { readFileSync } from 'node:fs';

import { expect, test } from '@playwright/test';

import { bitmap } from '../test-support/bitmap';
import { photoOf } from '../test-support/photo';
import { Hands, isKeyboard, openDemo, visit } from './hands';

test('a device that is on no shelf: from New job to its first heat answer in 15 taps and a minute, nothing typed', async ({
  page,
}, info) => {
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  const h = new Hands(page, isKeyboard(info.project.name));
  await openDemo(page);
  await visit(page, '/jobs/new');
  let taps = 0;
  const tap = async (what: Parameters<Hands['press']>[0]) => {
    await h.press(what);
    taps++;
  };
  const began = Date.now();
  await tap(h.button(/^Not here/));
  // nothing is made of nothing
  await expect(h.button(/^Use this model/)).toBeDisabled();
  await tap(page.getByRole('radio', { name: 'Glass on a ring' }));
  await tap(page.getByRole('radio', { name: /6\.7/ }));
  const plan = page.getByTestId('plan');
  await plan.scrollIntoViewIfNeeded();
  const box = (await plan.boundingBox())!;
  for (const [x, y] of [
    [box.width / 2 - 45, 60],
    [box.width / 2 + 73, 110],
  ] as const) {
    await plan.tap({ position: { x, y } });
    taps++;
  }
  await expect(page.getByTestId('guessed')).toContainText('cables to the back');
  await expect(page.getByTestId('guessed')).not.toContainText('cameras');
  await h.noViolations('model in a minute');
  // a reload loses none of it
  await page.reload();
  await expect(page.getByRole('radio', { name: 'Glass on a ring' })).toBeChecked();
  await tap('Use this model');
  await expect(page.getByRole('radio', { name: /^Device 77 mm/ })).toBeChecked();
  await tap('Open the job');
  await tap(page.locator('[role=banner] [aria-expanded]'));
  await tap(page.getByRole('link', { name: /Heat/ }));
  await expect(page.getByTestId('guessedInside')).toContainText('guessed');
  await expect(page.getByTestId('firstLook')).toContainText(/First answer|Exact now/, { timeout: 60_000 });
  await expect(h.call()).not.toContainText('too hot');
  console.log(`${taps} taps, ${((Date.now() - began) / 1e3).toFixed(1)} s to the first heat answer`);
  expect(taps).toBeLessThanOrEqual(15);
  await expect(page.getByText(/bottom edge then, usually/).first()).toBeVisible();
});

test('what is learned on a job is kept for its model at hand-over, and stands on its card for the next one', async ({
  page,
}, info) => {
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  const h = new Hands(page, isKeyboard(info.project.name));
  await openDemo(page, '/jobs/demo-0143/lift');
  await h.press(page.getByRole('link', { name: 'Worth remembering' }));
  await expect(h.button(/^Note it/)).toBeDisabled();
  const plan = page.getByTestId('plan');
  const box = (await plan.boundingBox())!;
  await plan.tap({ position: { x: box.width / 2 + 20, y: box.height / 2 } });
  await h.choose('What is it?', 'Hidden screw');
  await page.getByRole('textbox', { name: 'In a word or two' }).fill('under the label');
  // what is typed is there again after a reload
  await page.reload();
  await expect(page.getByRole('textbox', { name: 'In a word or two' })).toHaveValue('under the label');
  await plan.tap({ position: { x: box.width / 2 + 20, y: box.height / 2 } });
  await h.choose('What is it?', 'Hidden screw');
  await h.press('Note it');
  await h.choose('What is it?', 'Tip');
  await page.getByRole('textbox', { name: 'In a word or two' }).fill('slow at the keys');
  await h.press('Note it');
  await expect(page.getByRole('list', { name: 'Noted on this job' }).getByRole('listitem')).toHaveCount(2);
  await h.noViolations('worth remembering');
  await visit(page, '/jobs/demo-0143/handover');
  const kept = page.getByTestId('keepLearned');
  await expect(kept).toContainText('2 things were learned');
  await h.press(kept.getByRole('button', { name: 'Keep', exact: true }).first());
  await expect(kept).toContainText('One thing was learned');
  await h.press(kept.getByRole('button', { name: 'Drop', exact: true }));
  await expect(kept).toBeHidden();
  await visit(page, '/shelf');
  await h.press(page.getByRole('link', { name: 'Ring-bond 5.4' }));
  await expect(page.getByTestId('learned')).toContainText('Hidden screw, "under the label" (J-0143)');
  await expect(page.getByTestId('learned')).not.toContainText('slow at the keys');
  await h.press(page.getByRole('link', { name: 'Open the bench card' }));
  await expect(page.getByTestId('heats')).toContainText(/Hot plate at 110 °C/);
  await expect(page.getByTestId('card')).toContainText('under the label');
  await h.noViolations('bench card');
});

test('the Bench finds and answers: a job, a model, a cure at a temperature, the battery; nonsense finds nothing', async ({
  page,
}, info) => {
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  const h = new Hands(page, isKeyboard(info.project.name));
  await openDemo(page);
  const box = page.getByLabel('Find or ask').first();
  const found = page.getByTestId('found');
  const ask = async (text: string, answer: RegExp) => {
    await page.getByRole('textbox', { name: 'Find or ask' }).fill(text);
    await expect(found.getByRole('listitem').first()).toContainText(answer);
  };
  await expect(box).toBeVisible();
  await ask('143', /J-0143/);
  await ask('battery limit', /warning 60 °C, stop 80 °C/);
  await ask('cure at 15 °C', /Ring or tape at 15 °C.*full bond/);
  await ask('dryer', /Hair dryer.*usually set to/);
  await ask('6.1', /Ring-bond 6\.1/);
  await h.noViolations('bench with answers');
  await page.getByRole('textbox', { name: 'Find or ask' }).fill('<script>zzz');
  await expect(found).toContainText('Nothing found');
  await ask('tablet card', /Bench card: Glass-back tablet 10/);
  await h.press(found.getByRole('link').first());
  await expect(page).toHaveURL(/tablet10\/card/);
});

test('a device is measured in a photo with a bank card on it: within half a millimetre, and the photo lies under its plan', async ({
  page,
}, info) => {
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  const h = new Hands(page, isKeyboard(info.project.name));
  await openDemo(page, '/shelf');
  await h.press(h.button(/^Model in a minute/));
  await h.press(page.getByRole('radio', { name: 'Plastic on a ring' }));
  await h.press('From a photo with a bank card or ruler on it');
  const choose = async (buffer: Buffer, name: string, by: RegExp) => {
    const chooser = page.waitForEvent('filechooser');
    await h.press(h.button(by));
    await (await chooser).setFiles({ name, mimeType: 'image/bmp', buffer });
  };
  // what is no picture is said, and nothing is lost
  await choose(Buffer.from('no picture'), 'card.bmp', /^Choose a photo/);
  await expect(page.getByTestId('traceProblem')).toContainText('card.bmp');
  await expect(page.getByRole('radio', { name: 'Plastic on a ring' })).toBeChecked();
  const { grey, toPx, card } = photoOf({
    ...{ widthMm: 74, lengthMm: 158, tilt: [15, -8], turn: 4, cardTurn: 5, k1: 0, noise: 2, awayMm: 330 },
  });
  await choose(bitmap(grey), 'device.bmp', /^Choose a photo/);
  const picture = page.getByTestId('tracePicture');
  await picture.scrollIntoViewIfNeeded();
  const box = (await picture.boundingBox())!;
  const scale = box.width / grey.width;
  // points lie over the photo: a tap on one means what is under it
  const tap = ([x, y]: readonly [number, number]) =>
    picture.tap({ position: { x: x * scale, y: y * scale }, force: true, timeout: 10_000 });
  const says = page.getByTestId('traceSays');
  const measured = async () => {
    const [, width, length] = /([\d.]+) mm × ([\d.]+) mm, give or take/.exec((await says.textContent())!)!;
    return [Number(width), Number(length)] as const;
  };
  // card and device are found without a tap
  const [foundWidth, foundLength] = await measured();
  expect(Math.abs(foundWidth - 74)).toBeLessThan(0.5);
  expect(Math.abs(foundLength - 158)).toBeLessThan(0.5);
  // a point that is moved changes the answer, and moved back it is as it was
  const right = page.getByTestId('handle-5');
  await right.press('Shift+ArrowRight');
  expect((await measured())[0]).toBeGreaterThan(foundWidth + 0.5);
  await right.press('Shift+ArrowLeft');
  expect((await measured())[0]).toBeCloseTo(foundWidth, 1);
  await h.noViolations('photo with points');
  // and by hand, where nothing was found
  await h.press('Tap them myself');
  for (const [i, c] of card.entries()) {
    await expect(says).toContainText(`corner ${i + 1} of 4`);
    await tap([c[0] + 3, c[1] - 3]);
  }
  for (const mm of [
    [37, 0],
    [74, 70],
    [37, 158],
    [0, 80],
  ] as const)
    await tap(toPx(mm));
  const [width, length] = await measured();
  expect(Math.abs(width - 74)).toBeLessThan(0.5);
  expect(Math.abs(length - 158)).toBeLessThan(0.5);
  await tap(toPx([8, 8]));
  await tap(toPx([26, 40]));
  await h.press('Use these sizes');
  await expect(page.getByTestId('guessed')).not.toContainText('length and width');
  await expect(page.locator('image')).toHaveCount(1);
  await h.press(h.button(/^Save the model/));
  await expect(page.getByText('Photo under the plan')).toBeVisible();
  await expect(page.getByTestId('guessed')).toContainText('cables to the back');
});

/** The model of job J-0135. */
const demo135 = { model: 'plastic60', widthMm: 73, lengthMm: 155 };

test('the inside is photographed and tapped while it is worked: screws count at once, and go into the model with order and photo', async ({
  page,
}, info) => {
  test.setTimeout(180_000);
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  const h = new Hands(page, isKeyboard(info.project.name));
  await openDemo(page, '/jobs/demo-0135/strip');
  const readings = page.getByRole('list', { name: 'Readings' });
  await expect(readings).toContainText('/ 34screws out');
  await h.press(page.getByRole('link', { name: 'Photograph the inside' }));
  await h.press(page.getByRole('radio', { name: 'It shows: What is behind it' }));
  await expect(h.button(/^Lay it under the plan/)).toBeDisabled();
  const choose = async (buffer: Buffer, name: string) => {
    const chooser = page.waitForEvent('filechooser');
    await h.press(h.button(/^(Choose a photo|Another photo)/));
    await (await chooser).setFiles({ name, mimeType: 'image/bmp', buffer });
  };
  await choose(Buffer.from('no picture'), 'inside.bmp');
  await expect(page.getByTestId('fitProblem')).toContainText('inside.bmp');
  const scene = { tilt: [10, -6], turn: 5, cardTurn: 0, k1: 0, noise: 2, mess: true, bare: true } as const;
  const { grey } = photoOf({ ...scene, widthMm: demo135.widthMm, lengthMm: demo135.lengthMm, awayMm: 330 });
  await choose(bitmap(grey), 'inside.bmp');
  await expect(page.getByTestId('fitSays')).toContainText('Outline found');
  await h.noViolations('photo of the inside');
  await h.press('Lay it under the plan');
  await expect(page.locator('image')).toHaveCount(1);
  await expect(page.getByRole('slider', { name: 'Photo under the plan' })).toBeVisible();
  // what is tapped there is a screw of this job at once
  await h.press(page.getByRole('link', { name: 'Tap what is there' }));
  await h.choose('What is it?', 'Screw');
  const plan = page.getByTestId('plan');
  const box = (await plan.boundingBox())!;
  await plan.tap({ position: { x: box.width / 2, y: box.height / 2 } });
  await plan.tap({ position: { x: box.width / 2 + 12, y: box.height / 2 } });
  const noted = page.getByRole('list', { name: 'Noted on this job' }).getByRole('listitem');
  await expect(noted).toHaveCount(2);
  await expect(noted.first()).toContainText(/Screw [A-Z]\d+, cross, 2\.5 mm/);
  // outside the device there is no screw
  await plan.tap({ position: { x: 3, y: 3 } });
  await expect(page.getByTestId('learnProblem')).toContainText('It cannot be there');
  await expect(noted).toHaveCount(2);
  await h.noViolations('tapped inside');
  await h.press(h.button(/^Strip|^Back to Strip/));
  await expect(readings).toContainText('/ 36screws out');
  // order and photo are kept with them
  const main = h.button(/^(Out, into [A-C]\d|.* is (out|off)|Now move over)$/);
  for (let i = 0; i < 16; i++) await h.press(main);
  await visit(page, '/jobs/demo-0135/handover');
  const kept = page.getByTestId('keepLearned');
  await expect(kept).toContainText('Photo of the inside');
  await expect(kept).toContainText(/The order it came apart in, \d+ steps/);
  await h.press(kept.getByRole('button', { name: 'Keep all' }));
  await expect(kept).toBeHidden();
  // the model has them, and its file takes them along
  await visit(page, `/shelf/${demo135.model}`);
  await h.press(h.button(/^Photos under the plan/));
  await h.press(page.getByRole('radio', { name: 'Photo of: The inside behind it' }));
  await expect(page.locator('image')).toHaveCount(1);
  const [file] = await Promise.all([page.waitForEvent('download'), h.press(h.button(/^Export the model/))]);
  const text = readFileSync((await file.path())!, 'utf8');
  const model = JSON.parse(text) as { device: { pictures: { id: string }[]; order: string[] }; photos: object };
  expect(Object.keys(model.photos)).toEqual(model.device.pictures.map((p) => p.id));
  expect(model.device.order.length).toBeGreaterThan(2);
});
