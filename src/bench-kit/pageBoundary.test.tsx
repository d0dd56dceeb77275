// Every route: what is thrown in it ends there; bar, stop card and export stay, and the entry is named.
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';

import { startShop, jobNow, logged } from '../../test-support/mockShop';
import { CoreInputError } from '@/core/errors';
import { findSpoiler } from '@/work/records/findSpoiler';
import { PageBoundary } from './PageBoundary';
import { demoSettings } from '@/demo/shop';

let mockPath = '/';
jest.mock('@/store/shop', () => jest.requireActual('../../test-support/mockShop'));
jest.mock('expo-router', () => ({
  ...jest.requireActual<object>('../../test-support/mockRouter'),
  usePathname: () => mockPath,
}));

const t0 = new Date('2026-04-14T13:02:00').getTime();
const app = path.join(__dirname, '..', 'app');
/** Addresses of all routes, with a job, a device and a stage of the demo in their places. */
const routes = (readdirSync(app, { recursive: true }) as string[])
  .filter((f) => f.endsWith('.tsx') && !f.includes('_layout'))
  .map((f) =>
    `/${f.replace(/\.tsx$/, '')}`
      .replace(/\/index$/, '/')
      .replace('/jobs/[id]', '/jobs/demo-0138')
      .replace('[stage]', 'heat')
      .replace(/\[[a-z]+\]/, 'ring61'),
  );

beforeEach(() => {
  jest.useFakeTimers({ now: t0 });
  jest.spyOn(console, 'error').mockImplementation(() => {});
  startShop(t0, { 'demo-0138': [{ type: 'ambient', tempC: 37.25 }] });
});
afterEach(() => {
  cleanup();
  jest.restoreAllMocks();
  jest.useRealTimers();
});

let throws = true;
function Page() {
  if (throws) throw new CoreInputError('tempC', 37.25, '-20 to 30 °C');
  return <p>the page</p>;
}
const show = () =>
  render(
    <PageBoundary place={mockPath}>
      <Page />
    </PageBoundary>,
  );

it('there are as many routes as files', () => {
  expect(routes.length).toBeGreaterThan(30);
  expect(routes).toEqual(
    expect.arrayContaining(['/', '/stock', '/shop', '/jobs/demo-0138/heat', '/jobs/demo-0138/log']),
  );
});

it.each(routes)('%s: a throw leaves the bar, the stop card and the export, and names the entry', (route) => {
  mockPath = route;
  throws = true;
  show();
  const text = screen.getByTestId('broken').textContent!;
  expect(text).toContain('37.25');
  for (const name of ['Bench', 'Jobs', 'Phones', 'Shop']) expect(screen.getByText(name)).toBeTruthy();
  expect(screen.getByLabelText(/Stop card/)).toBeTruthy();
  expect(screen.getByText('Export everything')).toBeTruthy();
  expect(screen.getByText('Leave this entry out')).toBeTruthy();
});

it('the entry is left out by an event that can be undone, and the page comes back', async () => {
  mockPath = '/jobs/demo-0138/heat';
  throws = true;
  show();
  throws = false;
  await act(async () => fireEvent.click(screen.getByText('Leave this entry out')));
  expect(screen.getByText('the page')).toBeTruthy();
  const out = logged('demo-0138').find((e) => e.type === 'leaveOut')!;
  const spoilt = logged('demo-0138').find((e) => e.type === 'ambient')!;
  expect(out).toMatchObject({ eventId: spoilt.id });
  expect(jobNow('demo-0138').airs.map((e) => e.id)).not.toContain(spoilt.id);
  startShop(t0, {
    'demo-0138': [
      { type: 'ambient', tempC: 37.25 },
      { type: 'leaveOut', eventId: 't0', why: 'x' },
      { type: 'undo', eventId: 't1' },
    ],
  });
  expect(jobNow('demo-0138').airs.at(-1)!.tempC).toBe(37.25);
});

it('what a page derives and throws is found by leaving entries out, not by guessing from the message', () => {
  startShop(t0, {
    'demo-0139': [
      { type: 'ambient', tempC: 29 },
      { type: 'reading', quantity: 'gapMm', point: 'p1', value: 0.2, u: 0.01 },
      { type: 'note', text: 'later' },
    ],
  });
  const refusesGap = (job: { gaps: Record<string, number> }) => {
    if (job.gaps.p1 !== undefined) throw new Error('no number here');
  };
  const found = findSpoiler([jobNow('demo-0138'), jobNow('demo-0139')], demoSettings, t0, 'no number here', [
    refusesGap,
  ]);
  expect(found).toMatchObject({ certain: true, job: { id: 'demo-0139' }, event: { type: 'reading', point: 'p1' } });
  expect(findSpoiler([jobNow('demo-0138')], demoSettings, t0, 'x', [() => null])).toMatchObject({ certain: false });
});

it('settings pages offer the way back to the settings of before', () => {
  mockPath = '/stock';
  throws = true;
  show();
  expect(screen.getByText('Take back the last change of the settings')).toBeTruthy();
  expect(readFileSync(path.join(app, '_layout.tsx'), 'utf8')).toContain('<RouteBoundary>');
});
