import { expect, test } from '@playwright/test';

/**
 * Every component in both schemes, as it looked the last time. One point in fifty may differ, as browsers draw the edges of
 * letters a little differently; a colour, a size or a place that changed is far more than that.
 * After a change that is meant: `npx playwright test look --update-snapshots`, and look at what came out.
 */
for (const size of [
  { name: 'phone', tag: '@phone', width: 390 },
  { name: 'wide', tag: '@wide', width: 1280 },
])
  test(`all components look as they did, ${size.name}`, { tag: size.tag }, async ({ page }) => {
    await page.setViewportSize({ width: size.width, height: 844 });
    await page.goto('/look');
    const look = page.getByTestId('look');
    await expect(look).toBeVisible();
    await page.evaluate(() => document.fonts.ready);
    // the page scrolls inside itself: a screen as tall as all of it
    const height = await look.evaluate((e) => Math.ceil(e.getBoundingClientRect().height));
    await page.setViewportSize({ width: size.width, height });
    await expect(look).toHaveScreenshot(`look-${size.name}.png`, {
      maxDiffPixelRatio: 0.02,
      threshold: 0.25,
      animations: 'disabled',
      timeout: 20_000,
    });
  });
