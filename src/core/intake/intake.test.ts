import { stageMinutes } from '../../model/stages';
import { shippedDevices } from '../../model/shippedDevices';
import { adhesiveRecord } from '../adhesives';
import { coverStrengths } from '../lift/strength';
import { breakAtPlan, type LiftCase } from '../lift/verdict';
import { cureClocks, steady } from '../cure/laws';
import { byPolicy } from '../cure/policy';
import { earliestCollectionS } from './collection';
import { howHard } from './difficulty';
import { piecesToMove, routeMinutes, routeOptions, type RouteFacts, type RouteMoney } from './route';
import { coverOf, worksFor } from './works';

const facts: RouteFacts = {
  construction: 'ringGlass',
  side: 'back',
  frontOpens: false,
  hasDisplay: false,
  coverCracked: false,
  looseLayer: false,
  bent: false,
  swollen: false,
  pieces: 1,
  breakChance: 0.02,
  counts: { saved: 0, broke: 0, done: 0, comebacks: 0 },
};
const money: RouteMoney = {
  prices: {
    'glass.genuine': 4200,
    'glass.pulled': 3400,
    'glass.aftermarket': 1500,
    'assembly.genuine': 8900,
    'housing.aftermarket': 5200,
  },
  ratePerHour: 3000,
  closing: 260,
  damage: 16000,
};
const close = { low: 0.35, high: 0.65 };

describe('route', () => {
  it('a cracked cover is not saved, a swollen cell stops everything, what has no price is not offered', () => {
    const a = routeOptions({ ...facts, coverCracked: true }, money, close);
    expect(a.best!.work).toBe('glassOnly');
    expect(a.options.find((o) => o.work === 'openClose')!.blocks).toEqual(['coverCracked']);
    expect(a.options.find((o) => o.id === 'assembly.pulled' || o.id === 'rearAssembly.pulled')!.blocks).toEqual([
      'noPrice',
    ]);
    expect(routeOptions({ ...facts, swollen: true }, money, close).best).toBeNull();
  });

  it('what was asked for is compared with its own ways; a second work adds its part, its minutes and its risk', () => {
    const alone = routeOptions({ ...facts, asked: 'glassOnly' }, money, close);
    expect(alone.best!.id).toBe('glassOnly.aftermarket');
    expect(alone.options[0]!.work).toBe('glassOnly');
    expect(routeOptions({ ...facts, asked: 'wholeHousing' }, money, close).saveOrNew).toBeNull();
    const list = { ...money, prices: { ...money.prices, 'inner.genuine': 3900 } };
    const both = routeOptions({ ...facts, asked: 'glassOnly', also: ['inside'] }, list, close).best!;
    // no aftermarket inner part has a price: it comes new
    expect(both.partCost - alone.best!.partCost).toBe(3900);
    expect(both.minutes - alone.best!.minutes).toBe(routeMinutes('inside', facts) - routeMinutes('openClose', facts));
    const risk = (o: typeof both) => o.risks.find((r) => r.id.startsWith('damage'))!;
    expect(risk(both).a / (risk(both).a + risk(both).b)).toBeGreaterThan(
      risk(alone.best!).a / (risk(alone.best!).a + risk(alone.best!).b),
    );
    // without any price for it, it is not to be had
    expect(routeOptions({ ...facts, also: ['inside'] }, money, close).best).toBeNull();
  });

  it('saving is chosen while the chance of breaking is under its break-even, and not over it', () => {
    const at = (breakChance: number) =>
      routeOptions({ ...facts, breakChance }, { ...money, prices: { 'glass.genuine': 4200 } }, close);
    const star = at(0.02).saveOrNew!.pStar;
    expect(star).toBeGreaterThan(0.1);
    expect(at(star - 0.05).best!.cover).toBe('save');
    expect(at(Math.min(0.99, star + 0.05)).best!.cover).toBe('new');
    // the expected costs are equal at the break-even
    const even = at(star);
    expect(even.saveOrNew!.save.cost.mean / even.saveOrNew!.new.cost.mean).toBeCloseTo(1, 6);
    expect(even.next!.close).toBe(true);
  });

  it('counts of the shop move the chance', () => {
    const seen = routeOptions({ ...facts, counts: { saved: 40, broke: 20, done: 60, comebacks: 2 } }, money, close);
    const risk = seen.options[0]!.risks.find((r) => r.id === 'break')!;
    expect(risk.a / (risk.a + risk.b)).toBeGreaterThan(0.35);
  });

  it('minutes: pieces cost time, what is on the part saves it', () => {
    expect(routeMinutes('glassOnly', { construction: 'ringGlass', pieces: 11 })).toBe(56 + 15);
    expect(routeMinutes('glassOnly', { construction: 'fullGlass', pieces: 1 }, ['adhesive', 'lens'])).toBe(
      56 + 50 - 11,
    );
    expect(worksFor({ construction: 'lensInRing', side: 'back', frontOpens: false, hasDisplay: false })).toEqual([
      'lensCovers',
    ]);
    expect(worksFor({ construction: 'ringGlass', side: 'front', frontOpens: true, hasDisplay: true })).toContain(
      'displayWithFrame',
    );
    // where the front does not open, the screen with its frame is reached through the back; the back goes on again
    const back = { construction: 'ringPlastic', side: 'back', hasDisplay: false } as const;
    expect(worksFor({ ...back, frontOpens: false })).toContain('displayWithFrame');
    expect(worksFor({ ...back, frontOpens: true })).not.toContain('displayWithFrame');
    // the outer screen of a folding device is such a back: the screen is renewed, not its glass
    const outer = { construction: 'ringGlass', side: 'back', frontOpens: false, hasDisplay: true } as const;
    expect(worksFor(outer)).toContain('displayAlone');
    expect(worksFor(outer)).not.toContain('glassOnly');
    expect(coverOf('displayWithFrame', 'back')).toBe('save');
    expect(coverOf('displayWithFrame', 'front')).toBe('new');
  });

  it('a bent frame makes new glass come back more often, a new frame does not care', () => {
    const cost = (bent: boolean, id: string) =>
      routeOptions({ ...facts, bent }, money, close).options.find((o) => o.id === id)!.cost.mean;
    expect(cost(true, 'glassOnly.genuine')).toBeGreaterThan(cost(false, 'glassOnly.genuine') + 200);
    expect(cost(true, 'rearAssembly.genuine')).toBe(cost(false, 'rearAssembly.genuine'));
  });

  it('lists what has to move', () => {
    const d = shippedDevices.find((x) => x.id === 'ring61')!;
    expect(piecesToMove(d, d.bonds[0]!, 'glassOnly').map((p) => p.id)).toEqual([
      'lenses',
      'flash',
      'mesh',
      'coil',
      'rearCable',
    ]);
    expect(piecesToMove(d, d.bonds[0]!, 'openClose')).toEqual([]);
    expect(piecesToMove(d, d.bonds[0]!, 'wholeHousing').length).toBeGreaterThan(7);
  });
});

describe('chance of breaking at the planned temperature', () => {
  const lift: LiftCase = {
    cover: coverStrengths.glassStrengthened!,
    hMm: 0.8,
    adhesive: adhesiveRecord('foamRing'),
    ringMm: 2,
    fullArea: false,
    perimeterMm: 420,
    pickMm: 0.5,
    flawUm: 30,
    keepCover: false,
    breakLimit: 0.02,
  };
  it('is small without chips, large with them: chipped covers are not worth saving (common practice)', () => {
    expect(breakAtPlan(lift)).toMatchObject({ tC: 66, safe: true });
    expect(breakAtPlan(lift).chance).toBeLessThan(0.02);
    const chipped = breakAtPlan({ ...lift, flawUm: 100 });
    expect(chipped.safe).toBe(false);
    expect(chipped.chance).toBeGreaterThan(0.9);
  });
});

describe('how hard, and when it is ready', () => {
  const d = shippedDevices.find((x) => x.id === 'full64')!;
  it('says its reasons and asks for experienced hands on a fully bonded back', () => {
    const h = howHard({
      device: d,
      bond: d.bonds[0]!,
      pieces: 9,
      piecesAtCamera: 2,
      piecesNoFreeEdge: 1,
      partsToMove: 3,
      internalsOut: false,
      keepCover: false,
      chip: 'no',
      bent: false,
      maxGapMm: null,
      perimeterMm: 435,
    });
    expect(h.experienced).toBe(true);
    expect(h.reasons.map((r) => r.why)).toEqual(['construction', 'pieces', 'partsToMove']);
  });

  it('a bead takes the customer to the next days, tape to the same one, a new shell waits for nothing', () => {
    const none = { low: 0, mean: 0, high: 0 };
    const cure = (by: 'tape' | 'solvent', policy: 'usual' | 'late') =>
      byPolicy(cureClocks(by, 1.4, steady(22)).handOver, 'handOver', policy);
    const at = (r: typeof none) => earliestCollectionS(stageMinutes, new Set(), null, r);
    expect(at(none).high).toBeLessThan(at(cure('tape', 'usual')).high);
    // common practice: a bead of 1.4 mm is full after about a day, not after two and a half
    expect(at(cure('solvent', 'usual')).mean / 3600).toBeGreaterThan(18);
    expect(at(cure('solvent', 'usual')).mean / 3600).toBeLessThan(48);
    expect(at(cure('solvent', 'late')).mean).toBeGreaterThan(at(cure('solvent', 'usual')).mean * 1.8);
    expect(at(cure('tape', 'usual')).high / 3600).toBeLessThan(4);
    expect(earliestCollectionS(stageMinutes, new Set(), null, none, 2).mean / at(none).mean).toBeCloseTo(2, 1);
  });
});
