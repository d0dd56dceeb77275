import { defineConfig } from '@playwright/test';

import { chromium, portOf, workers } from './e2e/servers';

export default defineConfig({
  testDir: 'e2e',
  timeout: 240_000,
  expect: { timeout: 30_000 },
  workers,
  fullyParallel: true,
  // a finger's tap can be lost on a machine that is busy beside: what only passes the second time is named as flaky
  retries: 1,
  reporter: [['list']],
  use: {
    // each worker has a server of its own: the simulated instruments on it are one bench's
    baseURL: `http://127.0.0.1:${portOf(Number(process.env.TEST_PARALLEL_INDEX ?? 0))}`,
    browserName: 'chromium',
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: chromium,
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-background-networking',
        '--disable-component-update',
        '--no-first-run',
      ],
    },
  },
  // each test on the layout that it is about: by finger on the phone, by keys alone on the wide screen
  projects: [
    { name: 'wide', grep: /@wide|@both/, use: { viewport: { width: 1280, height: 800 } } },
    {
      name: 'phone',
      grepInvert: /@wide/,
      use: { viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true },
    },
  ],
  webServer: Array.from({ length: workers }, (_, i) => ({
    command: 'node --import tsx server/main.ts',
    url: `http://127.0.0.1:${portOf(i)}/api/health`,
    reuseExistingServer: false,
    timeout: 60_000,
    env: { PORT: String(portOf(i)), STRICT_PORT: '1', DEMO: '1' },
  })),
});
