import type { Range } from '@/core/source';
import type { EdgeId } from '@/core/device/types';
import { judgement } from '@/core/source';

/** What is said aloud at an instant, as a code with its values: the words are the language's. */
export type CueSay =
  | { say: 'inSeconds'; count: number }
  | { say: 'heatOff'; edge: EdgeId | null }
  | { say: 'tooLong' }
  | { say: 'heaterStops' }
  | { say: 'airOff' }
  | { say: 'slow' }
  | { say: 'gripsSoon' }
  | { say: 'reheat' }
  | { say: 'edgeNext'; edge: EdgeId; depthMm: number }
  | { say: 'allFree' }
  | { say: 'closeSoon' }
  | { say: 'closeNow' }
  | { say: 'tooLate' }
  | { say: 'letGo' }
  | { say: 'clampsOff' };

/** Something that is said once, when its instant comes. */
export interface Cue {
  /** names what it is about: the same heat, the same press; said once for each name */
  id: string;
  at: number;
  /** one of the few that nobody may miss; the rest is said to those who want all of it */
  main: boolean;
  /** the tone in its place where nothing can speak */
  kind: 'opens' | 'closes';
  what: CueSay;
}

/** How long before an instant it is announced, s. */
export const beforeS = judgement(30, 'time to lay a tool aside and take up a pick').value;
const lastS = judgement(10, 'a hand that presses counts the last ten').value;
/** A window that closes is announced this long before, s. */
export const closesBeforeS = judgement(20, 'time to end the stroke that is begun').value;
/** A heater that switches itself off, s before. */
const stopsBeforeS = 60;

const cue = (id: string, at: number, main: boolean, kind: Cue['kind'], what: CueSay): Cue => ({
  id,
  at: Math.round(at),
  main,
  kind,
  what,
});

/** On the heat: soon, off now with the edge to begin at, too long, and a heater that stops by itself. */
export function heatCues(h: {
  /** instant of laying on, ms: names the heat */
  onAt: number;
  /** when it opens, ms: as usual, and at the latest */
  ready: Range | null;
  edge: EdgeId | null;
  autoOffAt: number | null;
}): Cue[] {
  const { onAt, ready, autoOffAt } = h;
  return [
    ...(ready && ready.mean - beforeS * 1e3 > onAt
      ? [cue(`heat ${onAt} soon`, ready.mean - beforeS * 1e3, false, 'opens', { say: 'inSeconds', count: beforeS })]
      : []),
    ...(ready
      ? [
          cue(`heat ${onAt} off`, ready.mean, true, 'opens', { say: 'heatOff', edge: h.edge }),
          cue(`heat ${onAt} long`, ready.high, true, 'closes', { say: 'tooLong' }),
        ]
      : []),
    ...(autoOffAt === null
      ? []
      : [cue(`heat ${onAt} stops`, autoOffAt - stopsBeforeS * 1e3, true, 'closes', { say: 'heaterStops' })]),
  ];
}

/** Off the heat: the edge that is next, slow once it cools, half a minute to go, and heat it again. */
export function liftCues(l: {
  /** instant of taking off, ms: names the window */
  offAt: number;
  easyUntil: number | null;
  gripsAt: number | null;
  next: { edge: EdgeId; depthMm: number; since: number } | null;
  allFreeAt: number | null;
}): Cue[] {
  const { offAt, easyUntil, gripsAt, next, allFreeAt } = l;
  if (allFreeAt !== null) return [cue(`lift ${offAt} free`, allFreeAt, true, 'opens', { say: 'allFree' })];
  return [
    ...(next
      ? [
          cue(`lift ${offAt} ${next.edge}`, next.since, false, 'opens', {
            say: 'edgeNext',
            edge: next.edge,
            depthMm: next.depthMm,
          }),
        ]
      : []),
    ...(easyUntil !== null && (gripsAt === null || gripsAt - easyUntil > beforeS * 1e3)
      ? [cue(`lift ${offAt} slow`, easyUntil, false, 'closes', { say: 'slow' })]
      : []),
    ...(gripsAt === null
      ? []
      : [
          cue(`lift ${offAt} soon`, gripsAt - beforeS * 1e3, true, 'closes', { say: 'gripsSoon' }),
          cue(`lift ${offAt} grips`, gripsAt, true, 'closes', { say: 'reheat' }),
        ]),
  ];
}

/** A bead that lies open: when to close, the last chance, too late. */
export const openTimeCues = (o: { startAt: number; fromAt: number | null; untilAt: number }): Cue[] => [
  ...(o.fromAt === null ? [] : [cue(`bead ${o.startAt} now`, o.fromAt, true, 'opens', { say: 'closeNow' })]),
  cue(`bead ${o.startAt} soon`, o.untilAt - closesBeforeS * 1e3, true, 'closes', { say: 'closeSoon' }),
  cue(`bead ${o.startAt} late`, o.untilAt, true, 'closes', { say: 'tooLate' }),
];

/** Pressed by hand: ten seconds to go, and let go. */
export const pressCues = (p: { setAt: number; dueAt: number }): Cue[] => [
  ...(p.dueAt - p.setAt > 1.5 * lastS * 1e3
    ? [cue(`press ${p.setAt} soon`, p.dueAt - lastS * 1e3, false, 'opens', { say: 'inSeconds', count: lastS })]
    : []),
  cue(`press ${p.setAt} done`, p.dueAt, true, 'opens', { say: 'letGo' }),
];

export const cureCues = (c: { startAt: number; dueAt: number }): Cue[] => [
  cue(`clamps ${c.startAt}`, c.dueAt, true, 'opens', { say: 'clampsOff' }),
];

/** Hot air over one place: off, and work. */
export const airCues = (a: { onAt: number; dueAt: number }): Cue[] => [
  cue(`air ${a.onAt}`, a.dueAt, true, 'opens', { say: 'airOff' }),
];

/** A piece that grips soon. */
export const pieceCues = (p: { gripsAt: number }): Cue[] => [
  cue(`piece ${Math.round(p.gripsAt / 1e4)}`, p.gripsAt, true, 'closes', { say: 'reheat' }),
];

/** Nothing is said in the hours that a shop keeps quiet, which may go over midnight. */
export function isQuiet(hour: number, quiet: { fromH: number; toH: number } | null): boolean {
  if (!quiet || quiet.fromH === quiet.toH) return false;
  return quiet.fromH < quiet.toH ? hour >= quiet.fromH && hour < quiet.toH : hour >= quiet.fromH || hour < quiet.toH;
}
