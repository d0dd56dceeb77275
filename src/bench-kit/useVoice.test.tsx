import { act } from '@testing-library/react';
import { useState } from 'react';

import { heard } from '../../test-support/mockVoice';
import { startShop } from '../../test-support/mockShop';
import { renderPage } from '../../test-support/stage';
import { demoSettings } from '@/demo/shop';
import { airCues, beforeS, cureCues, heatCues, type Cue } from '@/work/voice/cues';
import { useVoice } from './useVoice';

jest.mock('@/store/shop', () => jest.requireActual('../../test-support/mockShop'));

const t0 = Date.UTC(2026, 3, 14, 11);
let show: (cues: readonly Cue[]) => void;

/** A page that changes what it waits for; it ticks for nobody. */
function Page() {
  const [cues, setCues] = useState<readonly Cue[]>([]);
  show = setCues;
  useVoice(cues);
  return null;
}

/** Time goes by in tenths; what was said, and when. */
function listen(ms: number): { at: number; text: string }[] {
  const out: { at: number; text: string }[] = [];
  for (let i = 0; i < ms; i += 100) {
    const before = heard.length;
    act(() => void jest.advanceTimersByTime(100));
    for (const text of heard.slice(before)) out.push({ at: Date.now(), text });
  }
  return out;
}

beforeEach(() => {
  jest.useFakeTimers({ now: t0 });
  heard.length = 0;
  startShop(t0, {}, { settings: { ...demoSettings, voice: { on: true, much: 'all', volume: 1, quiet: null } } });
  renderPage(<Page />);
});
afterEach(() => jest.useRealTimers());

const within = (got: number, asked: number) => expect(Math.abs(got - asked)).toBeLessThanOrEqual(500);

it('each call of a heat is said once, within half a second of its instant', () => {
  const onAt = t0 + 1000;
  const ready = { low: t0 + 120_000, mean: t0 + 141_370, high: t0 + 180_620 };
  act(() => show(heatCues({ onAt, ready, edge: 'bottom', autoOffAt: null })));
  const got = listen(200_000);
  expect(got.map((x) => x.text)).toEqual(['30 seconds.', 'Off now. Bottom edge.', 'Too long. Take it off.']);
  within(got[0]!.at, ready.mean - beforeS * 1000);
  within(got[1]!.at, ready.mean);
  within(got[2]!.at, ready.high);
});

it('a forecast that moves takes its call with it; what was said is not said again', () => {
  const heat = (mean: number) =>
    heatCues({
      onAt: t0 + 2000,
      ready: { low: mean - 30_000, mean, high: mean + 60_000 },
      edge: null,
      autoOffAt: null,
    });
  act(() => show(heat(t0 + 100_000)));
  const early = listen(60_000);
  expect(early).toEqual([]);
  act(() => show(heat(t0 + 120_000)));
  const got = listen(90_000);
  within(got[0]!.at, t0 + 90_000);
  within(got[1]!.at, t0 + 120_000);
  expect(got).toHaveLength(2);
  act(() => show(heat(t0 + 121_000)));
  expect(listen(20_000)).toEqual([]);
});

it('air off and clamps off are said to half a second too, an hour ahead', () => {
  const cues = [...airCues({ onAt: t0, dueAt: t0 + 45_480 }), ...cureCues({ startAt: t0, dueAt: t0 + 3_600_730 })];
  act(() => show(cues));
  const got = listen(3_660_000);
  for (const c of cues) {
    const near = got.filter((x) => Math.abs(x.at - c.at) <= 500);
    expect([c.id, near.length]).toEqual([c.id, 1]);
  }
});

it('a page that slept says nothing late, and in quiet hours nobody speaks', () => {
  act(() => show(airCues({ onAt: t0 - 60_000, dueAt: t0 - 5000 })));
  expect(listen(10_000)).toEqual([]);
  const hour = new Date(t0).getHours();
  startShop(
    t0,
    {},
    {
      settings: {
        ...demoSettings,
        voice: { on: true, much: 'all', volume: 1, quiet: { fromH: hour, toH: (hour + 2) % 24 } },
      },
    },
  );
  act(() => show(airCues({ onAt: t0 + 1, dueAt: Date.now() + 4000 })));
  expect(listen(10_000)).toEqual([]);
});
