// Before each test file of the run that notes: what wraps the functions of core.
const { appendFileSync } = require('node:fs');
const path = require('node:path');

// brought in at the first call: it leads to core itself, whose functions are wrapped from the beginning
const code = () => require('../../test-support/keptCode');

/** Calls of one function from one test file that are looked at, and noted. */
const [looked, taken] = [300, 30];
const calls = new Map();

globalThis.__keepOutline = (path, outline) => code().outlines.set(path, outline);

globalThis.__keepCalls = (source, name, f) => {
  const key = `${source} ${name}`;
  const mine = { tried: 0, by: new Map() };
  const wrapped = function (...given) {
    if (new.target || mine.tried >= looked || mine.by.size >= taken) return f.apply(this, given);
    mine.tried++;
    let text;
    try {
      text = JSON.stringify(code().encode(given, { most: 12_000, lenient: false }));
    } catch (e) {
      if (!(e instanceof code().Unfit)) throw e;
      mine.tried += 4;
      return f.apply(this, given);
    }
    const fresh = !mine.by.has(text);
    let value;
    let thrown = null;
    try {
      value = f.apply(this, given);
    } catch (e) {
      thrown = { e };
    }
    if (fresh && typeof value?.then !== 'function')
      try {
        mine.by.set(
          text,
          code().answerOf(() => {
            if (thrown) throw thrown.e;
            return value;
          }),
        );
        calls.set(key, { source, name, by: mine.by });
      } catch (e) {
        if (!(e instanceof code().Unfit)) throw e;
      }
    if (thrown) throw thrown.e;
    return value;
  };
  return Object.assign(wrapped, f);
};

globalThis.__keptCalls = () => {
  for (const { source, name, by } of calls.values())
    for (const [given, answer] of by)
      appendFileSync(
        path.join(process.env.KEPT_DIR, `${process.pid}.jsonl`),
        `${JSON.stringify({ source, name, given, answer })}\n`,
      );
};
