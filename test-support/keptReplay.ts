import { createHash } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';

import { answerOf, decode, type Plain } from './keptCode';

/** One call of core with what it was given and what it answered; `#` and a digest where the answer is long. */
export interface Kept {
  f: string;
  given: Plain[];
  answer: Plain;
}

export interface KeptFile {
  /** what several calls are given */
  shared: Plain[];
  /** by the file of core that is called */
  calls: Record<string, Kept[]>;
}

/** Answers longer than this are kept as their digest, characters. */
const longest = 600;
export const short = (answer: Plain): Plain => {
  const text = JSON.stringify(answer);
  return text.length > longest ? `#${createHash('sha256').update(text).digest('hex').slice(0, 16)}` : answer;
};

const dir = path.join(__dirname, 'kept');

/** What the chains of a part answered (`keptChains.ts`), by name. */
export type KeptChains = Record<string, Plain>;

/**
 * Asks a part of core again what it was asked when its answers were kept (`npm run kept`): a change that is not meant shows here.
 * That an answer is right is not for this to say; the tests beside it compare with what stands outside the project.
 */
export function replayKept(part: string): void {
  const file = path.join(dir, `${part}.json`);
  if (!existsSync(file)) throw new Error(`${part}: no kept answers`);
  const kept = JSON.parse(readFileSync(file, 'utf8')) as KeptFile & { chains?: KeptChains };
  describe.each(Object.keys(kept.calls))('%s', (source) => {
    const names = [...new Set(kept.calls[source]!.map((k) => k.f))];
    it.each(names)('%s answers as it did', (name) => {
      const module = jest.requireActual<Record<string, (...given: unknown[]) => unknown>>(`../src/core/${source}`);
      const calls = kept.calls[source]!.filter((k) => k.f === name);
      const answers = calls.map((k) =>
        short(answerOf(() => module[name]!(...k.given.map((g) => decode(g, kept.shared))))),
      );
      expect(answers).toEqual(calls.map((k) => k.answer));
    });
  });

  if (!kept.chains) return;
  const chains = jest.requireActual<typeof import('./keptChains')>('./keptChains').keptChains[part]!;
  it('every chain is kept', () => expect(Object.keys(chains)).toEqual(Object.keys(kept.chains!)));
  it.each(Object.keys(kept.chains))('%s: as it was', (name) =>
    expect(short(answerOf(chains[name]!))).toEqual(kept.chains![name]),
  );
}
