import { airCues, cureCues, heatCues, isQuiet, liftCues, openTimeCues, pieceCues, pressCues, type Cue } from './cues';
import { cureGlance, heatGlance, liftGlance, openTimeGlance, pressGlance } from './glance';

const t0 = 1_000_000;
const s = (n: number) => t0 + n * 1000;
/** What is said, and when, in seconds from the beginning. */
const said = (cues: Cue[]) => cues.map((c) => [c.what.say, (c.at - t0) / 1000, c.main] as const);

describe('what is said aloud, and when', () => {
  it('on the heat: half a minute before, off with the edge, too long, and a heater that stops by itself', () => {
    const heat = {
      onAt: t0,
      ready: { low: s(150), mean: s(180), high: s(220) },
      edge: 'bottom' as const,
      autoOffAt: s(300),
    };
    expect(said(heatCues(heat))).toEqual([
      ['inSeconds', 150, false],
      ['heatOff', 180, true],
      ['tooLong', 220, true],
      ['heaterStops', 240, true],
    ]);
    expect(heatCues(heat)[1]!.what).toEqual({ say: 'heatOff', edge: 'bottom' });
    // a heat that never opens says nothing of opening; one of twenty seconds does not announce what was before it
    expect(heatCues({ ...heat, ready: null, autoOffAt: null })).toEqual([]);
    expect(said(heatCues({ ...heat, ready: { low: s(10), mean: s(20), high: s(40) }, autoOffAt: null }))[0]![0]).toBe(
      'heatOff',
    );
  });
  it('a forecast that moves is the same cue at another instant; the next heat is another one', () => {
    const ids = (onAt: number, mean: number) =>
      heatCues({ onAt, ready: { low: mean, mean, high: mean }, edge: null, autoOffAt: null }).map((c) => c.id);
    expect(ids(t0, s(100))).toEqual(ids(t0, s(140)));
    expect(ids(t0, s(100))).not.toEqual(ids(s(1), s(100)));
  });
  it('off the heat: the next edge at once, slow when it cools, half a minute to go, heat again', () => {
    const lift = {
      offAt: t0,
      easyUntil: s(40),
      gripsAt: s(120),
      next: { edge: 'left' as const, depthMm: 3, since: t0 },
      allFreeAt: null,
    };
    expect(said(liftCues(lift))).toEqual([
      ['edgeNext', 0, false],
      ['slow', 40, false],
      ['gripsSoon', 90, true],
      ['reheat', 120, true],
    ]);
    // "slow" and "half a minute" would fall on each other
    expect(said(liftCues({ ...lift, easyUntil: s(100) })).map((x) => x[0])).toEqual([
      'edgeNext',
      'gripsSoon',
      'reheat',
    ]);
    expect(said(liftCues({ ...lift, next: null, allFreeAt: s(5) }))).toEqual([['allFree', 5, true]]);
  });
  it('open time, press, clamps, air, a piece', () => {
    expect(said(openTimeCues({ startAt: t0, fromAt: s(30), untilAt: s(90) }))).toEqual([
      ['closeNow', 30, true],
      ['closeSoon', 70, true],
      ['tooLate', 90, true],
    ]);
    expect(said(pressCues({ setAt: t0, dueAt: s(30) }))).toEqual([
      ['inSeconds', 20, false],
      ['letGo', 30, true],
    ]);
    expect(said(pressCues({ setAt: t0, dueAt: s(12) })).map((x) => x[0])).toEqual(['letGo']);
    expect(said(cureCues({ startAt: t0, dueAt: s(1800) }))).toEqual([['clampsOff', 1800, true]]);
    expect(said(airCues({ onAt: t0, dueAt: s(40) }))).toEqual([['airOff', 40, true]]);
    expect(said(pieceCues({ gripsAt: s(20) }))).toEqual([['reheat', 20, true]]);
  });
  it('quiet hours go over midnight', () => {
    const night = { fromH: 20, toH: 8 };
    expect([19, 20, 23, 0, 7, 8].map((h) => isQuiet(h, night))).toEqual([false, true, true, true, true, false]);
    expect([11, 12, 13, 14].map((h) => isQuiet(h, { fromH: 12, toH: 14 }))).toEqual([false, true, true, false]);
    expect(isQuiet(12, null)).toBe(false);
    expect(isQuiet(12, { fromH: 9, toH: 9 })).toBe(false);
  });
});

describe('what is seen from two metres', () => {
  it('the heat waits, is off, is too long; a stop is a stop', () => {
    const ready = { mean: s(100), high: s(130) };
    const at = (n: number, stop = false) => heatGlance(s(n), { ready, edge: 'top', stop });
    expect(at(40)).toEqual({ word: 'wait', leftS: 60, edge: null });
    expect(at(110)).toEqual({ word: 'off', leftS: 20, edge: 'top' });
    expect(at(131)).toEqual({ word: 'tooLong', leftS: null, edge: 'top' });
    expect(at(40, true).word).toBe('stop');
    expect(heatGlance(s(1), { ready: null, edge: null, stop: false })).toEqual({
      word: 'wait',
      leftS: null,
      edge: null,
    });
  });
  it('the lift goes, slows, grips, and is done', () => {
    const at = (verdict: 'go' | 'slow' | 'reheat' | 'stop', edge: 'left' | null = 'left') =>
      liftGlance(s(10), { verdict, easyUntil: s(30), gripsAt: s(80), edge });
    expect(at('go')).toEqual({ word: 'go', leftS: 20, edge: 'left' });
    expect(at('slow')).toEqual({ word: 'slow', leftS: 70, edge: 'left' });
    expect(at('reheat')).toEqual({ word: 'reheat', leftS: null, edge: 'left' });
    expect(at('go', null).word).toBe('done');
  });
  it('open time, press and clamps by their clocks', () => {
    const open = { fromAt: s(20), untilAt: s(60) };
    expect([10, 30, 61].map((n) => openTimeGlance(s(n), open).word)).toEqual(['wait', 'close', 'tooLate']);
    expect([10, 31].map((n) => pressGlance(s(n), s(30)).word)).toEqual(['press', 'letGo']);
    expect([10, 31].map((n) => cureGlance(s(n), s(30)).word)).toEqual(['clamped', 'clampsOff']);
  });
});
