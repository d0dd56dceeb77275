import { defineConfig } from '@playwright/test';

const port = Number(process.env.E2E_PORT ?? 8799);

export default defineConfig({
  testDir: 'e2e',
  timeout: 150_000,
  expect: { timeout: 20_000 },
  workers: 1,
  fullyParallel: false,
  reporter: [['list']],
  use: {
    baseURL: `http://127.0.0.1:${port}`,
    browserName: 'chromium',
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-background-networking',
        '--disable-component-update',
        '--no-first-run',
      ],
    },
  },
  projects: [
    { name: 'phone', use: { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true } },
    // faults and the day do not depend on the layout: they run once
    {
      name: 'wide',
      testIgnore: ['faults.spec.ts', 'day.spec.ts', 'storage.spec.ts'],
      use: { viewport: { width: 1280, height: 800 } },
    },
  ],
  webServer: {
    command: 'node --import tsx server/main.ts',
    url: `http://127.0.0.1:${port}/api/health`,
    reuseExistingServer: false,
    timeout: 60_000,
    env: { PORT: String(port), STRICT_PORT: '1', DEMO: '1' },
  },
});
