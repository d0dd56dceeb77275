import { test as plain } from '@playwright/test';

import { portOf } from './servers';

export { expect, type Locator, type Page } from '@playwright/test';

/** Each worker has a server of its own: the simulated instruments on it are one bench's. */
export const test = plain.extend({
  // eslint-disable-next-line no-empty-pattern -- Playwright reads the names of what is asked for
  baseURL: async ({}, give, info) => give(`http://127.0.0.1:${portOf(info.parallelIndex)}`),
});
