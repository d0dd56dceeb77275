import { routeMinutes } from '@/core/intake/route';
import { demoSettings } from '@/demo/settings';
import { demoJobs } from '@/demo/shop';
import type { JobEvent } from '@/model/event';
import { foldJob } from '@/model/fold';
import { jobWay } from '@/model/jobWay';
import { shippedDevices } from '@/model/shippedDevices';
import { adviceOf, factsOf, minutesOf, moreWork, priceOf } from './facts';

describe('a back and its lens covers in one job', () => {
  const device = shippedDevices.find((d) => d.id === 'lens67')!;
  const opened = demoJobs(Date.UTC(2026, 3, 14, 13))[0]!.find((e) => e.type === 'opened')!;
  const [back, lens] = [device.bonds[0]!.id, device.bonds[1]!.id];
  const start = { ...opened, device, bondId: back, steps: jobWay(device, [back, lens]) } as JobEvent;
  const [own, other] = [foldJob([start], back)!, foldJob([start], lens)!];
  const facts = factsOf(own, [], demoSettings, 1);
  const option = adviceOf(facts, own, demoSettings).best!;
  const minutes = minutesOf(option, facts, own);
  const more = moreWork([other], [], demoSettings);

  it('the other joint has its own work, and what is done once for the device is counted once', () => {
    expect(more.map((x) => x.option.work)).toEqual(['lensCovers']);
    const alone = routeMinutes('lensCovers', { construction: other.face.construction, pieces: 1 });
    expect(more[0]!.minutes).toBeLessThan(alone);
    expect(more[0]!.minutes).toBeGreaterThan(alone / 2);
  });

  it('both parts and both reserves are in the price, the overhead once: a sum worked by hand', () => {
    const [one, two] = [priceOf(option, minutes, own, demoSettings), priceOf(option, minutes, own, demoSettings, more)];
    const m = demoSettings.money;
    expect(two.lines.filter((l) => l.kind === 'overhead')).toHaveLength(1);
    expect(two.lines.filter((l) => l.kind === 'part')).toHaveLength(
      one.lines.filter((l) => l.kind === 'part').length + 1,
    );
    const { option: o } = more[0]!;
    const reserves = o.risks.reduce(
      (s, r) => s + (Math.round((1e4 * r.a) / (r.a + r.b)) / 1e4) * Math.round(r.cost),
      0,
    );
    const labour =
      ((Math.round(minutes + more[0]!.minutes) - Math.round(minutes)) / 60) * Math.round(demoSettings.ratePerH * 100);
    const glue = two.lines.filter((l) => l.kind === 'consumable').reduce((s, l) => s + l.amount, 0);
    const before = one.lines.filter((l) => l.kind === 'consumable').reduce((s, l) => s + l.amount, 0);
    const rings = (q: typeof one) => q.lines.filter((l) => l.name === 'pre-cut ring').reduce((s, l) => s + l.amount, 0);
    expect(two.cost - one.cost).toBeCloseTo(
      o.partCost + reserves + labour + glue - before + rings(two) - rings(one),
      4,
    );
    // rounded up to a step, with the margin kept: never less than cost over one less margin, with tax
    expect(two.gross).toBeGreaterThanOrEqual((two.cost / (1 - m.marginShare)) * (1 + m.taxShare) - 1e-6);
  });
});
