import { expect, test } from '@playwright/test';

import { Hands, isKeyboard, openDemo, visit } from './hands';

/** A thermocouple log of a plate that reads too hot, in °F with a decimal comma: a first-order line is rise enough. */
function logText(): string {
  const lines = ['Time;Probe °F'];
  for (let t = 0; t <= 480; t += 4) {
    // 22 °C to about 84 °C, slow at first as behind glass
    const c = 22 + 64 * (1 - Math.exp(-t / 150) * (1 + t / 260));
    const f = (c * 9) / 5 + 32 + 0.3 * Math.sin(t * 1.7);
    lines.push(`00:0${Math.floor(t / 60)}:${String(t % 60).padStart(2, '0')};${f.toFixed(1).replace('.', ',')}`);
  }
  return lines.join('\n');
}

test('a log calibrates the plate, ways are compared, the simulated plate heats, the probe is pulled, the work goes on', async ({
  page,
}, info) => {
  test.setTimeout(240_000);
  await page.clock.install({ time: new Date('2026-04-14T13:02:00') });
  const h = new Hands(page, isKeyboard(info.project.name));
  await openDemo(page, '/jobs');

  await test.step('calibrate from a file', async () => {
    await h.press(page.getByRole('link', { name: 'Shop' }));
    await h.press(page.getByRole('link', { name: 'Heaters and their calibration' }));
    await h.press(page.getByRole('button', { name: /^Hot plate: up to .*not calibrated/ }));
    await h.press(page.getByRole('link', { name: 'Calibrate with a thermocouple' }));
    const choose = async (name: string, text: string) => {
      const [chooser] = await Promise.all([page.waitForEvent('filechooser'), h.press('Log from a file')]);
      await chooser.setFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
    };
    await choose('picnic.csv', 'nothing, of, the, kind');
    await expect(page.getByTestId('problem').first()).toContainText('Nothing was changed');
    await choose('short.csv', logText().split('\n').slice(0, 30).join('\n'));
    await expect(page.getByTestId('problem').first()).toContainText('at least 180 s');
    await choose('plate.csv', logText());
    await expect(page.getByTestId('logFacts')).toContainText(
      '121 readings over 8 min, Probe °F against Time, read as °F',
    );
    await expect(page.getByTestId('fit')).toContainText('W/m²K');
    await expect(h.call()).toContainText(/^Reads 110 °C \/ 230 °F; the glue reaches \d\d °C ± \d+\.\d K at 2 min\.$/);
    await h.noViolations('calibrate');
    await h.press('Keep for this heater');
    await expect(page.getByText(/^calibrated on Ring-bond 6.1, 121 readings/)).toBeVisible();
    await page.reload();
    await expect(page.getByText(/^calibrated on Ring-bond 6.1, 121 readings/)).toBeVisible();
  });

  await test.step('ways side by side', async () => {
    await visit(page, '/jobs/demo-0143/ways');
    const rows = page.getByRole('radiogroup', { name: 'Ways of heating, gentlest first' }).getByRole('radio');
    await expect(h.call()).toContainText(/: the gentlest\.$/);
    expect(await rows.count()).toBeGreaterThanOrEqual(9);
    await expect(page.getByTestId('cold')).toContainText('Cold: not planned');
    await h.noViolations('ways');
    await h.press(rows.filter({ hasText: /^Hot plate\d/ }).first());
    await h.type(page.getByRole('textbox', { name: /^Why / }), 'the plate is what this bench has free');
    await h.press('Heat this way');
    await expect(page.getByRole('radio', { name: 'Heat with: Hot plate' })).toBeChecked();
  });

  await test.step('a heat cycle with the simulated plate and probe', async () => {
    // a fresh bench, whatever was done with it before
    await page.request.post('/api/instruments/simulation', { data: { device: 'ring54', fault: 'none' } });
    await h.press('Live probe');
    await h.press('Connect the instruments');
    await expect(page.getByTestId('probe')).toContainText('°C');
    await h.press(h.button(/^Set the plate to 110/));
    await expect(page.getByTestId('basis')).toContainText('set to 110 °C');
    await h.tick('At hand: picks, blade, gloves, eye cover. Alcohol put away');
    await h.press('On the plate');
    await expect(h.button('Off the plate')).toBeVisible();
    await expect(page.getByTestId('probe')).toContainText(/(2[3-9]|[3-9]\d) °C/);
    await h.noViolations('live');
  });

  await test.step('the probe is pulled: named in words, and A dead probe is not a cold device', async () => {
    await h.press(page.getByRole('radio', { name: /: open$/ }));
    await expect(page.getByTestId('probeFault')).toContainText('The logger sees no probe.');
    await expect(page.getByTestId('probeFault')).toContainText('A dead probe is not a cold device');
    await expect(page.getByTestId('basis')).toContainText('The clock runs on');
    await h.press(page.getByRole('radio', { name: /: none$/ }));
    await expect(page.getByTestId('probe')).toBeVisible();
    await h.press('Disconnect');
    await h.press('Off the plate');
    await expect(h.call()).toContainText(/edge/);
  });
});

test('hot air: a round is planned, confirmed with the moving air, used; spot heat and glue of the cell answer', async ({
  page,
}, info) => {
  test.setTimeout(240_000);
  const h = new Hands(page, isKeyboard(info.project.name));
  await openDemo(page, '/jobs/demo-0143/path');
  await expect(h.call()).toContainText(/the glue is soft after [\d hmins]+/);
  await h.press('Check with the moving air');
  await h.press('Cancel');
  await expect(page.getByText('Stopped.')).toBeVisible();
  await h.press('Check with the moving air');
  await expect(page.getByTestId('moving')).toContainText('Paced, with the air really moving', { timeout: 90_000 });
  await h.noViolations('path');
  await h.press('Use this round');
  await expect(page.getByRole('radio', { name: 'Heat with: Hot-air gun' })).toBeChecked();
  await visit(page, '/jobs/demo-0140/spot');
  await h.press(h.button(/^Work out piece 1/));
  await expect(h.call()).toContainText(/piece 1/);
  await expect(h.button(/^Air on/)).toBeVisible({ timeout: 60_000 });
  await visit(page, '/jobs/demo-0143/glue');
  await expect(h.call()).toContainText(/Front down on the plate|glue|limit/, { timeout: 90_000 });
  await h.noViolations('glue');
});
