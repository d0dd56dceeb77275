import ICAL from 'ical.js';

import { nextHands } from '@/core/schedule/nextHands';
import { planShop } from '@/core/schedule/shopPlan';
import { demoJobs, demoSettings } from '@/demo/shop';
import { planCalendar } from '@/model/cureCalendar';
import { foldJob } from '@/model/fold';
import { shopBench } from '@/work/bench/shopBench';
import { bookOf } from '@/work/bench/shopDurations';
import type { PlanNow } from '@/work/bench/planNow';
import { lanesOf } from '@/work/bench/lanes';
import { calendarOf } from './planCalendar';
import { entryText, insteadText, qualityText, rescueText, whyFirst } from './planWords';

jest.mock('@/store/shop', () => ({}));

const t0 = new Date(2026, 3, 14, 14, 30).getTime();
const jobs = demoJobs(t0).map((l) => foldJob(l)!);
const input = { jobs, settings: demoSettings, book: bookOf(jobs), now: t0 };
const shop = shopBench(input);
const plan = planShop(shop.bench, { iterations: 0, seeds: [] });
const now: PlanNow = { shop, plan, input };

it('lanes: every bar lies in its row, and bars that overlap have slots of their own', () => {
  const lanes = lanesOf(now, demoSettings, t0, t0 + 8 * 3600e3);
  expect(lanes.map((l) => l.name)).toEqual(
    expect.arrayContaining(['Mirel', 'Osk', 'Hot plate', 'gentle clip', 'Shelf']),
  );
  for (const l of lanes)
    for (const a of l.bars)
      for (const b of l.bars) if (a !== b && a.fromAt < b.toAt && b.fromAt < a.toAt) expect(a.slot).not.toBe(b.slot);
  // one pair of hands does one thing at a time
  for (const l of lanes.filter((x) => x.kind === 'person')) expect(Math.max(...l.bars.map((b) => b.slots))).toBe(1);
  const windows = lanes.flatMap((l) => l.bars).filter((b) => b.windowTo !== null);
  expect(windows.length).toBeGreaterThan(0);
  for (const b of windows) expect(b.windowTo!).toBeGreaterThan(b.toAt);
});

it('a break is drawn as time that nobody is there', () => {
  const noon = new Date(2026, 3, 14, 12, 0).getTime();
  const early = shopBench({ ...input, now: noon });
  const p = planShop(early.bench, { iterations: 0, seeds: [] });
  const mirel = lanesOf({ shop: early, plan: p, input }, demoSettings, noon, noon + 3 * 3600e3).find(
    (l) => l.name === 'Mirel',
  )!;
  expect(mirel.shut.map((s) => (s.to - s.from) / 60e3)).toEqual([30]);
});

it('promises as a calendar, read back by another reader', () => {
  const entries = calendarOf(now);
  expect(entries).toHaveLength(jobs.filter((j) => j.closedAt === null && j.promiseAt !== null).length);
  const read = new ICAL.Component(ICAL.parse(planCalendar(entries)) as never[]).getAllSubcomponents('vevent');
  expect(read).toHaveLength(entries.length);
  const one = new ICAL.Event(read[0]!);
  expect(one.summary).toBe(entries[0]!.title);
  expect(one.startDate.toJSDate().getTime()).toBe(entries[0]!.at);
  expect(one.description).toMatch(/Planned to be ready \d\d:\d\d/);
});

describe('words', () => {
  const [first] = nextHands(plan);
  it('why first: a window before anything else, then what another order costs, then a long clock', () => {
    const closing = { ...first!, untilS: shop.bench.nowS + 75 };
    expect(whyFirst(closing, [], shop, t0)).toBe('Its window closes in 1 min.');
    const open = { ...first!, untilS: null };
    const other = { job: 'demo-0141', task: 'dryFit', moreLateS: 1500, moreSpanS: 0, newlyLate: ['demo-0139'] };
    expect(whyFirst(open, [other], shop, t0)).toBe('J-0141 first would make jobs 25 min later in all and J-0139 late.');
    expect(whyFirst({ ...open, clockS: 7200 }, [], shop, t0)).toMatch(/^After it 2 h run by themselves/);
    expect(whyFirst({ ...open, clockS: 0, slackS: -900 }, [], shop, t0)).toBe('It is late by 15 min already.');
    expect(whyFirst({ ...open, clockS: 0, slackS: null }, [], shop, t0)).toBe('Nothing else has to go before it.');
  });

  it('another order, quality, rescue and a line of the list', () => {
    expect(insteadText({ job: 'demo-0141', task: 'dryFit', moreLateS: 0, moreSpanS: 1200, newlyLate: [] }, shop)).toBe(
      'Dry fit J-0141 first: no promise suffers, the last job ends 20 min later.',
    );
    expect(qualityText({ kind: 'within', share: 0.021 }, 2700)).toMatch(/^Within 2\.1 %/);
    expect(qualityText({ kind: 'best' }, 1)).toContain('1 plan was tried');
    const endS = shop.bench.nowS + 3600;
    expect(
      rescueText(
        { id: 'otherWay', what: 'tape', endS, tardinessS: 0, costs: [{ job: 'demo-0139', tardinessS: 600 }] },
        shop,
        t0,
      ),
    ).toBe('Close it with tape: in time, ready 15:30; J-0139 10 min later than promised.');
    expect(
      entryText(
        shop,
        { job: 'demo-0141', task: 'heat', startS: endS, endS: endS + 300 },
        ['heater:plate'],
        demoSettings,
        t0,
      ),
    ).toBe('15:30 to 15:35, Heat J-0141, Hot plate');
  });
});
