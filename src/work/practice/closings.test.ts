import { beadPlan } from '@/core/bond/bead';
import { defaultSettings } from '@/model/defaultSettings';
import type { JobEvent } from '@/model/event';
import { foldJob } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { shippedDevices } from '@/model/shippedDevices';
import { plainWay } from '@/model/way';
import { closingCase } from './closingCase';
import { practiceLiquid, practiceShop, readyForClosing } from './closings';
import { closingIds, closings } from './exerciseTable';

const t0 = Date.UTC(2026, 3, 14, 13);
const begun = (exercise: (typeof closingIds)[number], settings: Settings) => {
  const device = shippedDevices.find((d) => d.id === closings[exercise].deviceId)!;
  const bond = device.bonds[0]!;
  const shop = practiceShop(exercise, settings, bond);
  const events = [
    {
      ...{ type: 'opened', label: 'P', device, bondId: bond.id, promiseAt: null, customerMark: '' },
      steps: plainWay(bond.id),
    },
    ...readyForClosing(exercise, bond, practiceLiquid(shop, bond)),
  ].map((e, i) => ({
    ...{ ...e, v: 1, id: `p${i}`, jobId: 'p', writer: 'p', seq: i, at: t0, loggedAt: t0, by: 'p' },
  })) as unknown as JobEvent[];
  return { shop, job: foldJob(events)! };
};

it.each([
  ['no liquid', { liquids: [] }],
  ['an empty tube', { liquids: defaultSettings.liquids.map((l) => ({ ...l, leftMl: 0, tubes: [] })) }],
  ['a nozzle wider than any ring', { liquids: [{ ...defaultSettings.liquids[0]!, nozzleDiaMm: 5 }] }],
  ['a room as cold as none', { roomC: -10 }],
  ['a room as hot as none', { roomC: 45 }],
] as const)('a shop with %s can practise all the same', (_, over) => {
  for (const exercise of closingIds) {
    const { shop, job } = begun(exercise, { ...defaultSettings, ...over } as Settings);
    expect(job.stage).toBe(closings[exercise].stage);
    const about = closingCase(job, shop, t0);
    expect(about.by).toBe(closings[exercise].by);
    expect(shop.liquids[0]!.leftMl).toBe(shop.liquids[0]!.tubeMl);
    // the section closes to the width that was planned (plain geometry of the bead)
    const { bondMm, sectionMm2, liquid } = about.bead;
    const plan = beadPlan({
      ...{ bondMm, gapMm: job.bond.gapMm, lengthMm: 100, liquid, seatMm: job.bond.widthMm },
      ...{ outerMm: 1, innerMm: 1, leftMl: 1 },
    });
    expect(sectionMm2).toBeCloseTo(plan.sectionMm2, 9);
  }
});

it('a bead has nothing beside it to close with; other exercises leave the shop’s tape alone', () => {
  expect(begun('bead', defaultSettings).shop.tapes.every((t) => t.rolls.length === 0)).toBe(true);
  expect(begun('residue', defaultSettings).shop.tapes).toBe(defaultSettings.tapes);
  const bond = shippedDevices[0]!.bonds[0]!;
  expect(practiceShop('heat', defaultSettings, bond)).toBe(defaultSettings);
});
