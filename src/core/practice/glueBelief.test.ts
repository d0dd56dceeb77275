import { practisedCase } from '../../../test-support/practised';
import { slotDryS } from '../alcohol/drying';
import { Counter } from './counter';
import { GlueBelief } from './glueBelief';

const { lift, path, bond, ambientC } = practisedCase();
const belief = () => new GlueBelief(lift, 0.5, { lengthMm: path.lengthMm, ringMm: bond.widthMm, ambientC });

describe('what hands believe of the glue', () => {
  it('grips where it should have gone: stronger, and only there', () => {
    const glue = belief();
    const { easyC, workC } = glue.th;
    glue.tellsGrip(easyC! - 12);
    expect(glue.th).toMatchObject({ easyC, workC });
    glue.tellsGrip(easyC! + 6);
    expect(glue.th.easyC!).toBeGreaterThan(easyC!);
    expect(glue.th.workC!).toBeGreaterThan(workC!);
  });

  it('a thicker pick is taken once there is a reason, and needs less heat', () => {
    const glue = belief();
    expect(glue.takesThickerPick()).toBe(false);
    for (let i = 0; i < 4; i++) glue.tellsGrip(glue.th.easyC! + 5);
    const { workC, easyC } = glue.th;
    expect(glue.takesThickerPick()).toBe(true);
    expect(glue.pickMm).toBeGreaterThan(0.5);
    expect(glue.th.workC!).toBeLessThanOrEqual(workC! - 5);
    // what is easy stays what the glue makes of it
    expect(glue.th.easyC!).toBeGreaterThan(easyC! - 5);
  });

  it('alcohol lowers it where it ran in, until it has dried out of the gap by the law of drying', () => {
    const glue = belief();
    expect(glue.wetUntilS()).toBeNull();
    glue.wets({ fromMm: 350, toMm: path.lengthMm + 40, atS: 100 });
    const dryS = slotDryS(ambientC, bond.widthMm);
    expect(glue.wetUntilS()).toBeCloseTo(100 + dryS, 6);
    const workC = (sMm: number, tS: number) => glue.thAt(sMm, tS).workC!;
    expect(workC(20, 220)).toBeLessThan(glue.th.workC!);
    expect(workC(20, 300)).toBeLessThanOrEqual(workC(20, 130));
    // elsewhere, and after it has dried, it is as it was
    expect(workC(200, 220)).toBe(glue.th.workC);
    expect(workC(20, 101 + dryS)).toBe(glue.th.workC);
    glue.dried();
    expect(workC(20, 220)).toBe(glue.th.workC);
  });
});

describe('the counter', () => {
  const v = { comesS: 100, takesS: 120, waitsS: 200 };
  it('is gone to once, while somebody waits', () => {
    const c = new Counter(v);
    expect(c.goes(99)).toBeNull();
    expect(c.waitsUntilS(100)).toBe(300);
    expect(c.goes(150)).toBe(120);
    expect(c.wentS).toBe(150);
    expect(c.waitsUntilS(160)).toBeNull();
    expect(new Counter(v).goes(300)).toBeNull();
    expect(new Counter(undefined).goes(150)).toBeNull();
  });

  it('while a device warms, only where it warms for longer than anybody takes', () => {
    const short = new Counter(v);
    short.goesWhileWarming(90, 250);
    expect(short.wentS).toBeNull();
    const long = new Counter(v);
    long.goesWhileWarming(90, 290);
    expect(long.wentS).toBe(100);
  });
});
