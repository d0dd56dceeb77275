/* global afterAll */
afterAll(() => globalThis.__keptCalls());
