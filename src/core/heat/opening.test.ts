import { coarseModel } from '../../../test-support/modes';
import { bondPerimeter } from '../device/perimeter';
import { arcCells } from './arcs';
import { defaultPlate } from './heater';
import type { Watched } from './member';
import { afterS, opening, worstWaiting, type Opening } from './opening';
import { HeatRun } from './run';

const { device, model } = coarseModel();
const path = bondPerimeter(device, device.bonds[0]!);
const arcs = arcCells(model, path.lengthMm);
const order = arcs.map((_, i) => i);
const marks = {
  battery: { cautionC: 50, stopC: 62 },
  camera: { cautionC: 55, stopC: 70 },
  cover: { cautionC: 90, stopC: 130 },
};
const runAt = (setC: number) => HeatRun.start(model, defaultPlate, 22, [{ atS: 0, setC, preheated: true }]);
const openingAt = (setC: number, more: Partial<Parameters<typeof opening>[0]> = {}): Opening =>
  opening({ run: runAt(setC), fromS: 0, arcs, order, easyC: 62, workC: 45, upperC: 120, marks, ...more });

/** The usual world heated until it is taken off, second by second: what an opening must add up to. */
function bySeconds(setC: number, leaveS: number, id: Watched) {
  const member = runAt(setC).members[0]!.then({ atS: leaveS, setC: null, preheated: false });
  const { cell } = member.hottest(leaveS + (id === 'cover' ? 0 : 30), id)!;
  const end = Math.round(leaveS + afterS.value);
  return Array.from({ length: end + 1 }, (_, t) => member.atCell(t, id, cell));
}

describe.each([95, 110, 120])('a plate of %d °C', (setC) => {
  const o = openingAt(setC);
  const leave = o.leaveS!;

  it.each([0, 8, 20])('is left when the first stretch goes easily %d s after it is off', (leadS) => {
    const at = openingAt(setC, { leadS });
    const offAt = (t: number) => runAt(setC).members[0]!.then({ atS: t, setC: null, preheated: false });
    const cutC = (t: number) => offAt(t).lineC(t + leadS, arcs[0]!.cells);
    expect(at.leaveS).toBe(at.easyByS!.mean);
    expect(cutC(at.leaveS!)).toBeGreaterThan(62 - 0.2);
    expect(cutC(at.leaveS! - 4)).toBeLessThan(62);
    expect(cutC(at.tryFromS!.mean)).toBeGreaterThan(45 - 0.2);
    expect(at.tryFromS!.mean).toBeLessThan(at.leaveS!);
    for (const r of [at.tryFromS!, at.easyByS!]) {
      expect(r.low).toBeLessThanOrEqual(r.mean);
      expect(r.mean).toBeLessThanOrEqual(r.high);
    }
  });

  it.each(['battery', 'camera'] as const)('%s: seconds over each mark are those counted second by second', (id) => {
    const part = o.parts[id]!;
    const seconds = bySeconds(setC, leave, id);
    for (const [mark, dose] of [
      [marks[id].cautionC, part.aboveCautionS],
      [marks[id].stopC, part.aboveStopS],
    ] as const) {
      const counted = seconds.filter((c) => c > mark).length;
      expect(Math.abs(dose.mean - counted)).toBeLessThan(3 + 0.03 * counted);
      expect(dose.high).toBeGreaterThanOrEqual(dose.mean - 1e-9);
    }
    // its peak is the highest of them, as far as it is looked for
    expect(Math.abs(part.peakC.mean - Math.max(...seconds))).toBeLessThan(0.6);
  });

  it.each(['battery', 'camera'] as const)('%s: the marks are passed when the unlucky end passes them', (id) => {
    const part = o.parts[id]!;
    const extraK = part.peakC.high - part.peakC.mean;
    const seconds = bySeconds(setC, leave, id);
    for (const [mark, at] of [
      [marks[id].cautionC, part.cautionAtS],
      [marks[id].stopC, part.stopAtS],
    ] as const) {
      const first = seconds.findIndex((c) => c >= mark - extraK);
      if (part.peakC.high < marks[id].cautionC || first < 0) expect(at).toBeNull();
      else expect(Math.abs(at! - first)).toBeLessThan(3);
    }
  });

  it('who waits for the late end by the clock gets everything hotter than who tries', () => {
    const worst = worstWaiting(runAt(setC), o, marks);
    for (const id of ['battery', 'camera', 'cover'] as const)
      expect(worst[id]!).toBeGreaterThan(o.parts[id]!.peakC.mean);
  });
});

it('a hotter plate opens sooner, and its face is hotter by then', () => {
  const [mild, hot] = [openingAt(95), openingAt(120)];
  expect(hot.leaveS!).toBeLessThan(mild.leaveS!);
  expect(hot.parts.cover!.peakC.mean).toBeGreaterThan(mild.parts.cover!.peakC.mean);
});

it('what begins later is the same, later', () => {
  const later = opening({
    ...{ run: HeatRun.start(model, defaultPlate, 22, [{ atS: 600, setC: 110, preheated: true }]), fromS: 600 },
    ...{ arcs, order, easyC: 62, workC: 45, upperC: 120, marks },
  });
  const now = openingAt(110);
  expect(later.leaveS! - 600).toBeCloseTo(now.leaveS!, 0);
  expect(later.parts.battery!.peakC.mean).toBeCloseTo(now.parts.battery!.peakC.mean, 0);
});

it('a plate under the glue’s own temperature never opens it, and says so by having no instant', () => {
  const cold = openingAt(55);
  expect(cold.easyByS).toBeNull();
  expect(cold.leaveS).toBeNull();
  expect(worstWaiting(runAt(55), cold, marks)).toEqual({});
});

it('what is no number is named', () => {
  expect(() => openingAt(110, { fromS: NaN })).toThrow(/fromS/);
  expect(() => openingAt(110, { easyC: Infinity })).toThrow(/easyC/);
  expect(() => openingAt(110, { upperC: -300 })).toThrow(/upperC/);
  expect(() => openingAt(110, { arcs: [] })).toThrow(/arcs/);
});

it('waiting by the clock, a cover is judged as it is taken off and all else in the minutes after it', () => {
  const at = (high: number) => ({ low: high - 4, mean: high - 2, high });
  const off = { partC: (t: number, id: Watched) => (id === 'cover' ? at(500) : at(40 + Math.min(20, (t - 300) / 10))) };
  const run = { partC: (_: number, id: Watched) => at(id === 'cover' ? 90 : 10), then: () => off };
  const o = { easyByS: { low: 200, mean: 250, high: 300 } } as Opening;
  const worst = worstWaiting(run as unknown as HeatRun, o, { cover: marks.cover, battery: marks.battery });
  expect(worst.cover).toBe(90);
  expect(worst.battery).toBeGreaterThan(40);
  expect(worst.battery).toBeLessThanOrEqual(60);
  expect(worst.camera).toBeUndefined();
  expect(worstWaiting(run as unknown as HeatRun, { easyByS: null } as Opening, marks)).toEqual({});
});
