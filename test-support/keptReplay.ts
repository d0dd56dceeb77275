import { createHash } from 'node:crypto';
import { appendFileSync, existsSync, readFileSync } from 'node:fs';
import path from 'node:path';

import { answerOf, decode, Unfit, type Plain } from './keptCode';
import { goNear } from './keptNear';

/** One call of core with what it was given and what it answered; `#` and a digest where the answer is long. */
export interface Kept {
  f: string;
  given: Plain[];
  answer: Plain;
  /** questions near it (`keptNear.ts`) by their number, each with the digest of its answer: `3:1f00ab 17:…` */
  near?: string;
}

export interface KeptFile {
  /** what several calls are given */
  shared: Plain[];
  /** by the file of core that is called */
  calls: Record<string, Kept[]>;
}

const digest = (text: string, long: number) => createHash('sha256').update(text).digest('hex').slice(0, long);

/** Answers longer than this are kept as their digest, characters. */
const longest = 600;
export const short = (answer: Plain): Plain => {
  const text = JSON.stringify(answer);
  return text.length > longest ? `#${digest(text, 16)}` : answer;
};

/** What a question near a kept one is answered, as its digest; nothing where there is nothing to change. */
export function nearAnswer(ask: (given: unknown[]) => unknown, given: unknown[], which: number): string | null {
  if (!goNear(given, which)) return null;
  try {
    return digest(JSON.stringify(answerOf(() => ask(given))), 6);
  } catch (e) {
    if (e instanceof Unfit) return 'unfit';
    throw e;
  }
}

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

  // after all the others: what is asked here never stood at a bench, and may stay in what is remembered of a device
  const near = Object.entries(kept.calls).flatMap(([source, list]) =>
    list.flatMap((k, i) => (k.near ? [{ source, k, i }] : [])),
  );
  const functions = [...new Set(near.map((n) => `${n.source} ${n.k.f}`))];
  if (functions.length)
    it.each(functions)('%s answers what lies near as it did', (name) => {
      const [source, f] = name.split(' ') as [string, string];
      const module = jest.requireActual<Record<string, (...given: unknown[]) => unknown>>(`../src/core/${source}`);
      const answers: string[] = [];
      const were: string[] = [];
      for (const { k, i } of near.filter((n) => n.source === source && n.k.f === f))
        for (const pair of k.near!.split(' ')) {
          const which = Number(pair.split(':')[0]);
          const given = k.given.map((g) => decode(g, kept.shared));
          const answer = nearAnswer((g) => module[f]!(...g), given, which);
          were.push(`${i} ${pair}`);
          answers.push(`${i} ${which}:${answer}`);
        }
      // while they are kept: what is not answered alike twice is told, and left out
      if (process.env.KEPT_UNLIKE) {
        const unlike = were.flatMap((w, j) => (w === answers[j] ? [] : [`${part} ${source} ${w}`]));
        if (unlike.length) appendFileSync(process.env.KEPT_UNLIKE, `${unlike.join('\n')}\n`);
      } else expect(answers).toEqual(were);
    });

  if (!kept.chains) return;
  const chains = jest.requireActual<typeof import('./keptChains')>('./keptChains').keptChains[part]!;
  it('every chain is kept', () => expect(Object.keys(chains)).toEqual(Object.keys(kept.chains!)));
  it.each(Object.keys(kept.chains))('%s: as it was', (name) =>
    expect(short(answerOf(chains[name]!))).toEqual(kept.chains![name]),
  );
}
