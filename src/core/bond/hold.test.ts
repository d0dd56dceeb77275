import { shippedDevices } from '../../model/shippedDevices';
import { bondPerimeter, faceOf } from '../device/perimeter';
import { insideDistanceMm } from '../device/shapes';
import { clampPlan, evenness } from './clampPlan';
import { clipPlaces, noPress, spreadHold } from './hold';
import { squeezeOutOf } from './squeezeOut';
import { chooseBondingMethod, schools, type BondingMethodInput } from './bondingMethods';

describe('weights and bags', () => {
  it('100 kPa on a 420 × 2 mm ring are 84 N, 8.57 kg (worked example)', () => {
    const w = spreadHold('weight', 100, 840, 10_500, true);
    expect(w.forceN).toBeCloseTo(84, 9);
    expect(w.massKg).toBeCloseTo(8.56562, 4);
    expect(w.faceKPa).toBeCloseTo(8, 9);
    expect(w.against).toEqual([]);
  });

  it('a narrow cover with a wide ring gets more over the display than it bears; too much on the joint is said too', () => {
    expect(spreadHold('weight', 100, 3000, 10_000, false).against).toEqual(['display']);
    expect(spreadHold('bag', 100, 3000, 10_000, true).against).toEqual(['display', 'coil']);
    expect(spreadHold('bag', 200, 500, 10_000, false).against).toEqual(['peak']);
  });

  it('names what is impossible', () => {
    expect(() => spreadHold('bag', 0, 840, 10_000, false)).toThrow(/pressure: 0/);
    expect(() => spreadHold('bag', 100, 840, 10, false)).toThrow(/area of the cover/);
  });
});

describe('where not to press', () => {
  it('no clip sits on a camera or a key; moved ones stay within a third of their spacing', () => {
    for (const d of shippedDevices.filter((x) => x.bonds[0]!.zone === 'ring')) {
      const face = faceOf(d, d.bonds[0]!);
      const path = bondPerimeter(d, d.bonds[0]!);
      const places = clipPlaces(path, 15, d, face);
      expect(places).toHaveLength(15);
      for (const p of places) {
        expect(Math.abs(p.movedMm)).toBeLessThanOrEqual(path.lengthMm / 45 + 1);
        if (p.forced) continue;
        const at = path.point(p.sMm).at;
        for (const h of face.holes.filter((x) => x.role === 'camera'))
          expect(insideDistanceMm(h.shape, at)).toBeLessThan(0);
      }
    }
  });

  it('lists what lies close under the cover', () => {
    const d = shippedDevices[0]!;
    const kinds = new Set(noPress(d, faceOf(d, d.bonds[0]!)).map((p) => p.kind));
    expect(kinds).toContain('battery');
    expect(kinds).toContain('camera');
    expect(kinds).not.toContain('rim');
  });

  it('15 N clips over 420 mm: 6 of them lift between, about 15 are even (worked example, Winkler beam)', () => {
    // the worked example: foam tape 2 N/mm3, 15 mm strip of 0.8 mm glass
    const lambda = ((2 * 2) / (4 * ((72e3 * 15 * 0.8 ** 3) / 12))) ** 0.25;
    expect(lambda).toBeCloseTo(0.068253, 5);
    expect(evenness(lambda * 70)).toBeCloseTo(-0.00639856, 4);
    expect(Math.ceil(420 / (2 / lambda))).toBe(15);
    expect(clampPlan(420, 2, 10_500, 0.8, 72, 2, [{ id: 's', name: 's', forceN: 15, owned: 40 }]).clip).toBeNull();
  });
});

describe('choice of adhesive', () => {
  const table = Object.fromEntries(schools.map((s) => [s.id, s.readyH.value]));
  const base: BondingMethodInput = {
    wantSeal: false,
    inStock: {
      precutRing: true,
      cutTape: true,
      liquidBead: true,
      reuseTopup: true,
      fullFill: true,
      preGlued: true,
      reuseRing: true,
      tapeAndBead: true,
    },
    partGlued: false,
    partGenuine: false,
    beadSomewhere: false,
    gapVariationMm: 0.05,
    tapeTouches: null,
    hoursLeft: 24,
    ratePerH: 30,
    reworkCost: 40,
    delayCostPerH: 0,
    residueClean: true,
    oldRingIntact: false,
    fullArea: false,
    fillsGaps: true,
    readyH: table,
  };
  const row = (i: BondingMethodInput, id: string) => chooseBondingMethod(i).find((c) => c.school.id === id)!;

  it('costs and blocks of the worked example: a seal is wanted', () => {
    const i = { ...base, wantSeal: true };
    expect(chooseBondingMethod(i)[0]!.school.id).toBe('precutRing');
    expect(row(i, 'precutRing').cost).toBeCloseTo(14.7, 9);
    expect(row(i, 'precutRing').parts).toEqual({ material: 6, work: 7.5, rework: 1.2, delay: 0 });
    expect(row(i, 'cutTape')).toMatchObject({ cost: 19.7, blocks: ['noSealClaim'] });
    expect(row(i, 'liquidBead').cost).toBeCloseTo(14.3, 9);
    expect(row(i, 'reuseTopup')).toMatchObject({ cost: 17.5, blocks: ['noSealClaim', 'oldRingNotIntact'] });
  });

  it('without a seal the bead is cheapest, until there is no time for it', () => {
    expect(chooseBondingMethod(base)[0]!.school.id).toBe('liquidBead');
    expect(chooseBondingMethod({ ...base, hoursLeft: 3 })[0]!.school.id).toBe('precutRing');
    expect(
      chooseBondingMethod({ ...base, hoursLeft: 3, inStock: { ...base.inStock, precutRing: false } })[0]!.school.id,
    ).toBe('cutTape');
    expect(chooseBondingMethod({ ...base, hoursLeft: 0.2 }).every((c) => c.blocks.includes('notReadyInTime'))).toBe(
      true,
    );
  });

  it('a shrinking bead does not take an uneven seat, one that keeps its volume does (law 11)', () => {
    const bent = { ...base, gapVariationMm: 0.2 };
    expect(chooseBondingMethod(bent)[0]!.school.id).toBe('liquidBead');
    expect(row({ ...bent, fillsGaps: false }, 'liquidBead').blocks).toEqual(['driesThin']);
    expect(row(bent, 'cutTape').blocks).toEqual(['gapVariation']);
    // the map of the seat counts more than the figure of the table
    expect(row({ ...base, tapeTouches: false }, 'precutRing').blocks).toEqual(['gapVariation']);
    expect(row({ ...base, tapeTouches: false }, 'liquidBead').blocks).toEqual([]);
  });

  it('a part that comes with its adhesive is only set: cheapest of all, and the factory’s ring where it is genuine', () => {
    const glued = { ...base, partGlued: true };
    expect(chooseBondingMethod(glued)[0]).toMatchObject({ school: { id: 'preGlued' }, blocks: [] });
    expect(row(base, 'preGlued').blocks).toEqual(['notOnThePart']);
    expect(row({ ...glued, wantSeal: true }, 'preGlued').blocks).toEqual(['noSealClaim']);
    expect(row({ ...glued, wantSeal: true, partGenuine: true }, 'preGlued').blocks).toEqual([]);
    // its tape sticks to a bare frame only, like any
    expect(row({ ...glued, residueClean: false }, 'preGlued').blocks).toEqual(['residue']);
  });

  it('the old ring goes on again as it is where somebody says that it is whole; it is no residue then', () => {
    expect(row(base, 'reuseRing').blocks).toEqual(['oldRingNotIntact']);
    const whole = { ...base, oldRingIntact: true, residueClean: false };
    expect(row(whole, 'reuseRing').blocks).toEqual([]);
    expect(row(whole, 'cutTape').blocks).toEqual(['residue']);
    expect(row({ ...whole, tapeTouches: false }, 'reuseRing').blocks).toEqual(['gapVariation']);
  });

  it('tape and bead in one ring: where tape does not touch the bead takes over, if it keeps its volume', () => {
    const bent = { ...base, tapeTouches: false, gapVariationMm: 0.2, beadSomewhere: true };
    expect(row(bent, 'tapeAndBead').blocks).toEqual([]);
    expect(row(bent, 'cutTape').blocks).toEqual(['gapVariation']);
    expect(row({ ...bent, fillsGaps: false }, 'tapeAndBead').blocks).toEqual(['driesThin']);
    expect(row({ ...bent, beadSomewhere: false }, 'tapeAndBead').blocks).toEqual(['nowhereABead']);
    expect(row({ ...bent, residueClean: false }, 'tapeAndBead').blocks).toEqual(['residue']);
  });

  it('what squeezes out: clear glue is wiped at once, black rubber is peeled when dry, and a shop may say otherwise', () => {
    expect(squeezeOutOf({ black: false })).toBe('now');
    expect(squeezeOutOf({ black: true })).toBe('dry');
    expect(squeezeOutOf({ black: true, squeezeOut: 'now' })).toBe('now');
  });

  it('residue speaks against tape, a whole area against everything but the fill', () => {
    expect(row({ ...base, residueClean: false }, 'precutRing').blocks).toEqual(['residue']);
    expect(chooseBondingMethod({ ...base, fullArea: true, hoursLeft: 48 })[0]!.school.id).toBe('fullFill');
    expect(row({ ...base, hoursLeft: 48 }, 'fullFill').blocks).toEqual(['ringOnly']);
  });

  it('the shop’s own figures count, and are said to be its own', () => {
    const c = row({ ...base, figures: { cutTape: { hours: 0.1 } } }, 'cutTape');
    expect(c.cost).toBeCloseTo(1.5 + 3 + 3.2, 9);
    expect(c.school.hours.source.note).toBe('set by this shop');
  });

  it('delay costs what it costs', () => {
    expect(row({ ...base, delayCostPerH: 2 }, 'liquidBead').cost).toBeCloseTo(14.3 + 24, 9);
  });
});

it('clips along a beam on an elastic bed: λ = (k b / 4EI)^¼ (Hetenyi 1946), worked by hand for 0.8 mm glass', () => {
  // EI = 72 000 N/mm² × 15 mm × 0.8³/12 mm³ = 46 080 N mm²; k b = 2 × 2 = 4 N/mm²: λ = (4/184 320)^¼ = 0.068254 1/mm
  const lambda = 0.068254;
  const clip = { id: 'c', name: 'clip', forceN: 15, owned: 40 };
  const [way] = clampPlan(420, 2, 10_500, 0.8, 72, 2, [clip]).ways;
  const spacing = 420 / way!.count;
  expect(way!.evenness).toBeCloseTo(evenness(lambda * spacing), 4);
  // one lonely clip presses (P λ / 2 b) under itself; others beside it add a little or take a little
  const lone = ((15 * lambda) / (2 * 2)) * 1e3;
  expect(Math.abs(way!.peakKPa / lone - 1)).toBeLessThan(0.5);
  expect(way!.meanKPa).toBeCloseTo((15 * way!.count * 1e3) / (420 * 2), 9);
});
