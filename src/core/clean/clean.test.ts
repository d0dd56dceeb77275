import fc from 'fast-check';

import { adhesiveRecord } from '../adhesives';
import { bondPerimeter } from '../device/perimeter';
import { keepOuts } from '../lift/depth';
import { coverStrengths } from '../lift/strength';
import { openRing } from '../lift/ringOpening';
import { shippedDevices } from '../../model/shippedDevices';
import { crumbLimitMm, crumbState, lastingShare, swallowedMm, type CrumbInput } from './crumb';
import { cleanLacks, cleanZones, methodsFor, type CleanFacts } from './zones';

const device = (id: string) => shippedDevices.find((d) => d.id === id)!;
const zonesOfDevice = (id: string) => {
  const d = device(id);
  const b = d.bonds[0]!;
  return { d, b, zones: cleanZones(d, b, keepOuts(d, b, new Set(d.parts.map((p) => p.id)))) };
};

describe('zones', () => {
  it.each(shippedDevices.map((d) => d.id))('%s: the ring is covered once, without a hole', (id) => {
    const { d, b, zones } = zonesOfDevice(id);
    const ring = zones.flatMap((z) => (z.stretch ? [z.stretch] : []));
    const sum = ring.reduce((m, s) => m + s.toMm - s.fromMm, 0);
    expect(sum).toBeCloseTo(b.zone === 'clips' ? 0 : bondPerimeter(d, b).lengthMm, 6);
    expect(zones.map((z) => z.index)).toEqual(zones.map((_, i) => i));
  });

  it('a full bond has its middle too, away from the camera openings; clips only their glued spot', () => {
    const { zones, d } = zonesOfDevice('full64');
    const middle = zones.filter((z) => !z.stretch);
    expect(middle.length).toBeGreaterThanOrEqual(3);
    const holes = d.faces[0]!.holes;
    for (const z of middle)
      for (const h of holes)
        if (h.shape.kind === 'disc')
          expect(Math.hypot(z.at[0] - h.shape.c[0], z.at[1] - h.shape.c[1])).toBeGreaterThan(h.shape.rMm);
    expect(zonesOfDevice('clip55').zones).toHaveLength(1);
  });

  it('near a camera it is dry only, elsewhere it may be wet', () => {
    const { zones } = zonesOfDevice('ring61');
    const dry = zones.filter((z) => z.dry);
    expect(dry.length).toBeGreaterThan(0);
    expect(dry.length).toBeLessThan(zones.length);
    expect(methodsFor(dry[0]!, 'residue', 22)).not.toContain('alcoholWipe');
    expect(
      methodsFor(
        zones.find((z) => !z.dry)!,
        'residue',
        22,
      ),
    ).toContain('alcoholWipe');
  });

  it('while it is warm residue is rolled off and no alcohol is offered; glass goes first, by tweezers', () => {
    const z = zonesOfDevice('ring61').zones.find((x) => !x.dry)!;
    expect(methodsFor(z, 'residue', 60)).toEqual(['rollWarm', 'plasticScraper', 'air']);
    expect(methodsFor(z, 'glass', 22)[0]).toBe('tweezersFirst');
  });
});

describe('clean enough', () => {
  const good: CleanFacts = {
    zones: [
      { state: 'inspected', dryAtMs: null },
      { state: 'inspected', dryAtMs: null },
    ],
    now: 1000,
    frameC: 24,
    crumbsGone: true,
    lensesBlown: true,
    glanced: true,
    coverClean: null,
  };

  it('bare, dry, cool, looked over: for tape and for a bead', () => {
    expect(cleanLacks(good)).toEqual({ tape: [], liquid: [] });
  });

  it('a film bears a bead but no tape; residue bears neither (common practice, the difference is judgement)', () => {
    const film = cleanLacks({ ...good, zones: [{ state: 'film', dryAtMs: null }] });
    expect(film).toEqual({ tape: ['film'], liquid: [] });
    expect(cleanLacks({ ...good, zones: [{ state: 'residue', dryAtMs: null }] }).liquid).toContain('residue');
  });

  it('wet until its instant, then still to be looked at', () => {
    const zones = [{ state: 'wet' as const, dryAtMs: 2000 }];
    expect(cleanLacks({ ...good, zones }).tape).toEqual(['wet', 'notInspected']);
    expect(cleanLacks({ ...good, zones, now: 2500 }).tape).toEqual(['notInspected']);
  });

  it('names everything else that lacks', () => {
    expect(
      cleanLacks({ ...good, crumbsGone: false, lensesBlown: false, glanced: false, frameC: 50, coverClean: false })
        .tape,
    ).toEqual(['cover', 'crumbs', 'lenses', 'glance', 'warm']);
  });
});

describe('a crumb under the glass', () => {
  const tape = adhesiveRecord('cutTape').joint!;
  const base: CrumbInput = {
    cover: coverStrengths.glassStrengthened!,
    hMm: 0.8,
    flawUm: 30,
    kNmm3: 2,
    ringMm: 2,
    gapMm: 0.2,
    joint: tape,
  };

  it('stress is that of a pick that does not open the bond (ring law at α = 0)', () => {
    const s = crumbState({ ...base, gapMm: 0, joint: null }, 0.3);
    const pick = openRing('insert', base.cover, 0.8, 0.3, 1e9, 2, 2);
    expect(s.stressMPa).toBeCloseTo(pick.stressMPa, 9);
  });

  it('what the joint swallows does nothing; a bead swallows its whole gap, tape only what it can be pressed', () => {
    expect(swallowedMm({ gapMm: 0.2, joint: tape })).toBeCloseTo(0.2 - 0.3 * 0.5, 9);
    expect(crumbState(base, 0.04).stressMPa).toBe(0);
    expect(crumbState({ ...base, joint: null }, 0.19).stressMPa).toBe(0);
  });

  it('the limit is where the stress is what the edge is allowed for months', () => {
    const limit = crumbLimitMm(base);
    const s = crumbState(base, limit);
    expect(s.stressMPa / s.lastingMPa).toBeCloseTo(1, 9);
    expect(s.lastingMPa).toBeCloseTo((lastingShare.value * 460.879) / 2, 2);
    expect(crumbState(base, limit + 0.01).cracks).toBe(true);
  });

  it('a higher crumb never stresses less, a chipped edge never bears more (property)', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.01, max: 1, noNaN: true }),
        fc.double({ min: 0.5, max: 1.2, noNaN: true }),
        (mm, hMm) => {
          const i = { ...base, hMm };
          return (
            crumbState(i, mm + 0.05).stressMPa >= crumbState(i, mm).stressMPa &&
            crumbLimitMm({ ...i, flawUm: 100 }) <= crumbLimitMm(i)
          );
        },
      ),
    );
  });
});
