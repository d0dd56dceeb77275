import { readdirSync, readFileSync, statSync } from 'node:fs';
import path from 'node:path';

import { claimCheck } from '../../test-support/claimCheck';

const root = path.join(__dirname, '..');

function files(dir: string): string[] {
  return readdirSync(dir).flatMap((name) => {
    const at = path.join(dir, name);
    if (statSync(at).isDirectory()) return files(at);
    // the rules themselves, and the tests that try them, hold the words that nobody may say
    return /\.tsx?$/.test(name) && !/\.test\.tsx?$/.test(name) && name !== 'claimCheck.ts' ? [at] : [];
  });
}

/** Everything in a source file that a person could read: text in quotes, in templates, and between tags. */
function texts(source: string): string[] {
  const code = source.replace(/\/\*[\s\S]*?\*\//g, '').replace(/(^|\s)\/\/.*$/gm, '');
  const quoted = [...code.matchAll(/'((?:[^'\\\n]|\\.)*)'|"((?:[^"\\\n]|\\.)*)"|`((?:[^`\\]|\\.)*)`/g)].map(
    (m) => m[1] ?? m[2] ?? m[3] ?? '',
  );
  const between = [...code.matchAll(/>([^<>{}]*[a-z]{2}[^<>{}]*)</gi)].map((m) => m[1]!.replace(/\s+/g, ' '));
  return [...quoted, ...between].filter((t) => /\s/.test(t));
}

const all = files(root);

it('reads the whole product', () => {
  expect(all.length).toBeGreaterThan(300);
  expect(all.flatMap((f) => texts(readFileSync(f, 'utf8'))).length).toBeGreaterThan(3000);
});

it('no text of the product promises water resistance', () => {
  const bad = all.flatMap((f) =>
    texts(readFileSync(f, 'utf8')).flatMap((t) => {
      const { rules } = claimCheck(t);
      return rules.length ? [`${path.relative(root, f)}: ${rules.join()}: ${t.trim().slice(0, 120)}`] : [];
    }),
  );
  expect(bad).toEqual([]);
});

it.each(['Rated IP-68 again.', 'It is sealed against water.', 'Water will not get in.', 'Closed tight against rain.'])(
  'would find "%s"',
  (text) => {
    expect(claimCheck(text).ok).toBe(false);
  },
);

it('would find one', () => {
  const planted = texts(
    "const x = 'The ring holds, so the phone is waterproof again.'; <Txt>It is splash proof now</Txt>",
  );
  expect(planted.flatMap((t) => claimCheck(t).rules)).toEqual(['W1', 'W2']);
});
