import { useSyncExternalStore } from 'react';

import type { ClosingAction } from '@/core/practice/closing/case';
import type { PiecesAction } from '@/core/practice/pieces/bench';
import type { HandAction } from '@/core/practice/happened';
import { defaultSettings } from '@/model/defaultSettings';
import type { JobEvent } from '@/model/event';
import { practiceWays, type PracticeWay } from '@/model/practiceWay';
import type { Settings } from '@/model/settings';

export const practiceSpeeds = [0, 1, 4, 20] as const;
export type PracticeSpeed = (typeof practiceSpeeds)[number];

/** What hands did, or what came of an entry of the log; s of the exercise. */
export interface Act {
  atS: number;
  dtS: number;
  action: HandAction | ClosingAction | PiecesAction;
  /** of the entry that it came from */
  eventId?: string;
  /** of the second device, where there are two */
  of?: string;
}

/**
 * An exercise that is being worked. All of it lives here: its log, its settings, its clock and what hands did. Nothing of
 * it reaches the shop's storage; it is kept beside it, so that a reload finds it where it was.
 */
export interface PracticeRun {
  /** of its job: it begins with `practice-`, which no job of the shop does */
  id: string;
  exercise: string;
  seed: number;
  way: PracticeWay;
  person: string;
  /** instant at which its clock began, and how far that has come, ms */
  startMs: number;
  simMs: number;
  speed: PracticeSpeed;
  events: JobEvent[];
  settings: Settings;
  acts: Act[];
  /** what somebody believed the line to be when they took it off, and when, °C and s */
  guesses: { atS: number; tC: number; of?: string }[];
  /** a second device beside it, with a job of its own */
  second?: { id: string; events: JobEvent[] };
  /** a probe that is taped to one of its devices: since when, s */
  probe?: { fromS: number; on: string };
  /** when hands went to the counter, s */
  wentS?: number;
  /** this is how the run looks from its second device: what is done goes to that */
  of?: string;
}

/** The entries of a job of the exercise; null: it is none of its jobs. */
export const eventsOf = (r: PracticeRun | null, jobId: string): JobEvent[] | null =>
  r?.id === jobId ? r.events : r?.second?.id === jobId ? r.second.events : null;

/** More entries of a job of the exercise. */
export const withEntries = (r: PracticeRun, jobId: string, made: readonly JobEvent[]): PracticeRun =>
  r.second?.id === jobId
    ? { ...r, second: { ...r.second, events: [...r.second.events, ...made] } }
    : { ...r, events: [...r.events, ...made] };

/** The exercise as it looks from one of its devices: only what was done on that one. */
export function sideOf(r: PracticeRun, jobId: string): PracticeRun {
  if (!r.second) return r;
  const of = r.second.id === jobId ? jobId : undefined;
  return {
    ...r,
    ...(of ? { id: of, of, events: r.second.events, seed: r.seed + secondSeed } : {}),
    acts: r.acts.filter((a) => a.of === of),
    guesses: r.guesses.filter((g) => g.of === of),
  };
}
/** The second device is another one than the first of any number near it. */
const secondSeed = 5_000_000;

const key = 'northcove.practice';
export const practicePrefix = 'practice-';

const isSecond = (x: PracticeRun['second']) =>
  x === undefined || (typeof x === 'object' && typeof x?.id === 'string' && Array.isArray(x.events));

const looksRight = (r: unknown): r is PracticeRun => {
  const x = r as Partial<PracticeRun> | null;
  return (
    typeof x === 'object' &&
    x !== null &&
    typeof x.id === 'string' &&
    x.id.startsWith(practicePrefix) &&
    Array.isArray(x.events) &&
    Array.isArray(x.acts) &&
    Array.isArray(x.guesses) &&
    Number.isFinite(x.startMs) &&
    Number.isFinite(x.simMs) &&
    Number.isFinite(x.seed) &&
    isSecond(x.second) &&
    (x.wentS === undefined || Number.isFinite(x.wentS)) &&
    (x.probe === undefined || (Number.isFinite(x.probe?.fromS) && typeof x.probe?.on === 'string')) &&
    typeof x.settings === 'object' &&
    practiceSpeeds.includes(x.speed as PracticeSpeed) &&
    practiceWays.includes(x.way as PracticeWay)
  );
};

function read(): PracticeRun | null {
  try {
    const r: unknown = JSON.parse(localStorage.getItem(key) ?? 'null');
    // begun with an earlier version it has no settings that came since
    return looksRight(r) ? { ...r, settings: { ...defaultSettings, ...r.settings } } : null;
  } catch {
    return null;
  }
}

let run: PracticeRun | null | undefined;
/** since when its clock has been going in this page, by the monotonic one; null: it stands */
let since: number | null = null;
const listeners = new Set<() => void>();

const hidden = () => typeof document !== 'undefined' && document.visibilityState === 'hidden';
const mono = () => (typeof performance === 'undefined' ? 0 : performance.now());

export const practiceRun = (): PracticeRun | null => {
  if (run === undefined) {
    run = read();
    since = run && !hidden() ? mono() : null;
    // an hour with the page hidden is no hour of the exercise
    if (typeof document !== 'undefined')
      document.addEventListener('visibilitychange', () => {
        settle();
        since = hidden() ? null : mono();
      });
  }
  return run;
};

/** ms that the exercise has come. */
const elapsedMs = (r: PracticeRun): number => r.simMs + (since === null ? 0 : (mono() - since) * r.speed);

function put(next: PracticeRun | null): void {
  run = next;
  try {
    if (next) localStorage.setItem(key, JSON.stringify(next));
    else localStorage.removeItem(key);
  } catch {
    // full: the exercise goes on, and would begin anew after a reload
  }
  listeners.forEach((f) => f());
}

/** Takes into the record how far the clock has come. */
function settle(): void {
  const r = practiceRun();
  if (!r || since === null) return;
  const simMs = elapsedMs(r);
  since = mono();
  put({ ...r, simMs });
}

/** The page that is looked at is one of the exercise: only there its clock, its log and its settings count. */
export const inPractice = (): boolean => {
  const r = practiceRun();
  return r !== null && typeof window !== 'undefined' && (window.location?.pathname ?? '').startsWith(`/jobs/${r.id}`);
};

/** The instant of the exercise; null where the shop's own counts. */
export const practiceNowMs = (): number | null => {
  if (!inPractice()) return null;
  const r = practiceRun()!;
  return Math.round(r.startMs + elapsedMs(r));
};

export function beginPractice(r: PracticeRun): void {
  practiceRun();
  since = hidden() ? null : mono();
  put(r);
}

export function endPractice(): void {
  put(null);
  since = null;
}

/** Changes the exercise; its clock is settled with it. */
export function changePractice(change: (r: PracticeRun) => PracticeRun): void {
  const r = practiceRun();
  if (!r) return;
  const now = { ...r, simMs: elapsedMs(r) };
  if (since !== null) since = mono();
  put(change(now));
}

const subscribe = (f: () => void) => {
  listeners.add(f);
  return () => void listeners.delete(f);
};

/** The exercise that is open, wherever one looks from. */
export const usePracticeRun = (): PracticeRun | null => useSyncExternalStore(subscribe, practiceRun, () => null);

/** The exercise where its own pages are looked at; null elsewhere. */
export const useInPractice = (): PracticeRun | null =>
  useSyncExternalStore(
    subscribe,
    () => (inPractice() ? practiceRun() : null),
    () => null,
  );
