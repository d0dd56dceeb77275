import { act, fireEvent, render, screen, within } from '@testing-library/react';

import { demoSettings, demoJobs } from '@/demo/shop';
import { writeJobFile, writeShopFile } from '@/model/files';
import { jobNow, logged, settingsNow, startShop } from '../../test-support/mockShop';
import { went } from '../../test-support/mockRouter';
import { choose, enter, pass, press, renderStage } from '../../test-support/stage';
import { BenchScreen } from './bench/BenchScreen';
import { JobsScreen } from './jobs/JobsScreen';
import { LogScreen } from './jobs/LogScreen';
import { nextLabel } from '@/bench-kit/openJob';
import { NewJobScreen } from './jobs/NewJobScreen';
import { FiguresScreen } from './shop/FiguresScreen';
import { ShopScreen } from './shop/ShopScreen';

jest.mock('@/store/useBackup', () => ({
  useBackup: () => ({ last: null, due: null, entries: 0 }),
  usePersistent: () => null,
  noteBackup: async () => {},
}));
jest.mock('@/store/shop', () => jest.requireActual('../../test-support/mockShop'));
jest.mock('expo-router', () => jest.requireActual('../../test-support/mockRouter'));
const mockFile = { next: null as { name: string; text: string } | null, saved: [] as { name: string; text: string }[] };
jest.mock('@/ui/download', () => ({
  download: (name: string, text: string) => void mockFile.saved.push({ name, text }),
  pickText: async () => mockFile.next,
}));

const t0 = new Date('2026-04-14T13:00:00').getTime();

beforeEach(() => {
  jest.useFakeTimers({ now: t0 });
  went.length = 0;
  mockFile.next = null;
  mockFile.saved.length = 0;
  startShop(t0);
});
afterEach(() => jest.useRealTimers());

describe('bench', () => {
  it('shows hands needed next with its countdown, what runs, what waits; one tap leads to the stage', async () => {
    render(<BenchScreen />);
    const next = screen.getByTestId('next');
    expect(next.textContent).toContain('Take J-0142 off the plate');
    expect(next.textContent).toContain('2:22');
    await pass(7000);
    expect(next.textContent).toContain('2:15');
    expect(screen.getByText('Runs by itself')).toBeTruthy();
    expect(screen.getByRole('button', { name: /^J-0139 clamped/ })).toBeTruthy();
    expect(screen.getAllByRole('img', { name: 'waits' })).toHaveLength(8);
    await press('Go to J-0142');
    expect(went).toEqual(['/jobs/demo-0142/heat']);
  });

  it('an overdue heat counts over, as hands needed', async () => {
    render(<BenchScreen />);
    await pass(155_000);
    expect(screen.getByTestId('next').textContent).toMatch(/\+0:1\d/);
    expect(screen.getByTestId('next').textContent).toContain('more heat only warms the battery');
  });

  it('an empty bench says what to do', () => {
    startShop(t0, {}, { jobs: new Map() });
    render(<BenchScreen />);
    expect(screen.getByText('Nothing on the bench.')).toBeTruthy();
    expect(screen.queryByTestId('next')).toBeNull();
  });
});

describe('jobs', () => {
  it('filters by state and by any word: label, device, mark, stage', async () => {
    render(<JobsScreen />);
    expect(screen.getAllByRole('link', { name: /^J-/ })).toHaveLength(11);
    await choose('Show: Handed over');
    expect(screen.getAllByRole('link', { name: /^J-/ }).map((l) => l.getAttribute('aria-label'))).toEqual([
      'J-0137, Ring-bond 6.1, handed over',
    ]);
    await choose('Show: All');
    const search = screen.getByRole('textbox', { name: 'Search jobs' });
    const found = async (text: string) => {
      await act(async () => void fireEvent.change(search, { target: { value: text } }));
      return screen.queryAllByRole('link', { name: /^J-/ }).length;
    };
    expect(await found('tablet')).toBe(1);
    expect(await found('locker 7')).toBe(1);
    expect(await found('dry fit')).toBe(1);
    expect(await found('nothing like it')).toBe(0);
    expect(screen.getByText('No job matches.')).toBeTruthy();
  });

  it('labels go on from the highest', () => {
    expect(nextLabel(['J-0142', 'J-0137', 'X-9'])).toBe('J-0143');
    expect(nextLabel([])).toBe('J-0001');
  });

  it('a new job needs a device and a time that is one; then its log starts with the device model', async () => {
    render(<NewJobScreen />);
    await enter('Promised for', '25:99');
    await press('Open the job');
    await pass(10);
    const alert = screen.getByRole('alert').textContent;
    expect(alert).toContain('Device: choose one from the list');
    expect(alert).toContain('Promised for: enter a time');
    await choose('Glass-back tablet 10');
    await enter('Promised for', '16:30');
    await enter('Mark of the device (no name needed)', 'locker 12');
    await press('Open the job');
    await pass(10);
    expect(went.at(-1)).toMatch(/^\/jobs\/.+\/intake$/);
    const id = went.at(-1)!.split('/')[2]!;
    const job = jobNow(id);
    expect(job).toMatchObject({ label: 'J-0144', customerMark: 'locker 12', stage: 'intake' });
    expect(job.device.id).toBe('tablet10');
    expect(job.promiseAt).toBe(new Date('2026-04-14T16:30:00').getTime());
  });
});

describe('log', () => {
  it('lists what happened, newest first, takes notes, and strikes out what was undone', async () => {
    renderStage(LogScreen, 'demo-0143');
    const list = () => within(screen.getByRole('list', { name: 'Log' })).getAllByRole('listitem');
    const before = list().length;
    await enter('Note', 'glass is on order');
    await press('Add the note');
    expect(list()).toHaveLength(before + 1);
    expect(list()[0]!.textContent).toContain('note: glass is on order');
    await press('Undo the last');
    expect(list()[0]!.textContent).toContain('undone');
    expect(list()[1]!.textContent).toMatch(/note: glass is on order.*undone/);
    expect(jobNow('demo-0143').notes).toEqual([]);
    expect(logged('demo-0143').map((e) => e.type)).toEqual(['note', 'undo']);
  });

  it('exports the whole log of the job', async () => {
    renderStage(LogScreen, 'demo-0143');
    await press('Export the job');
    expect(mockFile.saved[0]!.name).toBe('j-0143.northcove.json');
    expect((JSON.parse(mockFile.saved[0]!.text) as { events: unknown[] }).events).toHaveLength(
      jobNow('demo-0143').log.length,
    );
  });
});

describe('shop', () => {
  const shop = () => render(<ShopScreen loadDemo={async () => {}} />);

  it('keeps units, look, sound, person and figures; a wrong figure is named and not kept', async () => {
    shop();
    await choose('Temperatures: °F');
    expect(settingsNow().temperature).toBe('F');
    await enter('Room temperature, °F', '68');
    expect(settingsNow().roomC).toBeCloseTo(20, 6);
    await enter('Room temperature, °F', '900');
    expect(screen.getByRole('alert').textContent).toContain('Room temperature: enter 41 to 104 °F (you entered 900)');
    expect(settingsNow().roomC).toBeCloseTo(20, 6);
    await enter('Another person', 'Tarn');
    await press('Add');
    expect(settingsNow()).toMatchObject({ person: 'Tarn', people: ['Mirel', 'Osk', 'Tarn'] });
  });

  it('takes in a file as a whole, or names what is wrong with it and changes nothing', async () => {
    shop();
    mockFile.next = { name: 'cut.json', text: writeJobFile(demoJobs(t0)[0]!, t0).slice(0, 800) };
    await press('Import a file');
    expect(screen.getByTestId('message').textContent).toMatch(
      /^cut\.json: line \d+: the file is cut off or not JSON\. Nothing was changed\.$/,
    );
    mockFile.next = { name: 'shop.json', text: writeShopFile(demoSettings, demoJobs(t0), {}, t0) };
    await press('Import a file');
    // nothing is taken in before it was said what it would do
    expect(screen.getByTestId('restore').textContent).toContain('12 jobs already here as in the file');
    await press('Take it in');
    expect(screen.getByTestId('message').textContent).toMatch(/^shop\.json: 12 jobs read, \d+ new entries\.$/);
    mockFile.next = null;
    await press('Import a file');
    expect(screen.getByTestId('message').textContent).toMatch(/^shop\.json/);
  });

  it('exports everything, the unreadable entries as they were found', async () => {
    startShop(t0, {}, { problems: [{ key: 'job/x/y/1', what: 'the entry is cut off or not JSON', raw: '{"v":1,' }] });
    shop();
    expect(screen.getByRole('alert').textContent).toContain('1 stored entry cannot be read');
    await press('Export everything');
    const file = JSON.parse(mockFile.saved[0]!.text) as { jobs: unknown[]; unreadable: Record<string, string> };
    expect(file.jobs).toHaveLength(12);
    expect(file.unreadable).toEqual({ 'job/x/y/1': '{"v":1,' });
  });

  it('says what is not written and tries again', async () => {
    startShop(t0, {}, { unsaved: 2 });
    shop();
    expect(screen.getByRole('alert').textContent).toContain('2 entries are not written');
    await press('Try to write again');
    expect(screen.queryByText(/are not written/)).toBeNull();
  });
});

describe('figures', () => {
  const find = (text: string) =>
    act(async () => void fireEvent.change(screen.getByLabelText('Search figures'), { target: { value: text } }));
  const shown = () => screen.getAllByRole('listitem').map((l) => l.textContent);

  it('a judgement gets the shop’s own value with a reason, within a tenth and ten times of it; and back', async () => {
    render(<FiguresScreen />);
    await find('lift minutes middle');
    expect(shown()).toHaveLength(1);
    await press('Change');
    expect(screen.getByRole('button', { name: /^Count with it/ }).getAttribute('aria-disabled')).toBe('true');
    await enter(/own value/, '121');
    expect(screen.getByRole('alert').textContent).toMatch(/enter 1\.2.* to 120/);
    await enter(/own value/, '20');
    await act(
      async () => void fireEvent.change(screen.getByLabelText(/^Why, for/), { target: { value: 'slower here' } }),
    );
    await press('Count with it');
    const key = 'judgement 12 lift, minutes in the middle: no log of its own yet, shop figure';
    expect(settingsNow().figures).toEqual({ [key]: { value: 20, because: 'slower here' } });
    await choose('Source: Own (1)');
    expect(shown()[0]).toContain('This shop’s own, 12 as shipped: slower here');
    await press('Change');
    await press('As shipped');
    expect(settingsNow().figures).toEqual({});
  });

  it('what somebody outside stands behind cannot be changed', async () => {
    render(<FiguresScreen />);
    await choose('Source: Published');
    expect(shown().length).toBeGreaterThan(10);
    expect(screen.queryByRole('button', { name: 'Change' })).toBeNull();
  });
});
