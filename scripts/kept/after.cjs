afterAll(() => globalThis.__keptCalls());
