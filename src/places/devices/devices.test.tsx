import { TextEncoder } from 'node:util';

import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';

import { startShop } from '../../../test-support/mockShop';
import { enter, press } from '../../../test-support/stage';
import type { SyncView } from '@/store/sync/device';
import { DevicesScreen } from './DevicesScreen';
import { JoinScreen } from './JoinScreen';
import { differenceText } from './troubleText';

jest.mock('@/store/shop', () => jest.requireActual('../../../test-support/mockShop'));
jest.mock('expo-router', () => jest.requireActual('../../../test-support/mockRouter'));
let mockView: SyncView | null = null;
const mockDone: unknown[][] = [];
let mockDemo: object | null = null;
let mockSecure = true;
let mockRelay = true;
const mockDevice = {
  found: async () => void mockDone.push(['found']),
  lend: async () => {},
  noteMember: () => {},
  rename: async (name: string) => void mockDone.push(['rename', name]),
  takeOut: async (id: string) => void mockDone.push(['takeOut', id]),
  takeBack: async (id: string) => void mockDone.push(['takeBack', id]),
  state: () => ({ me: {}, group: {} }),
};
jest.mock('@/store/sync/live', () => ({
  useSync: () => mockView,
  useElsewhere: () => false,
  beginSync: async () => {},
  leave: async () => void mockDone.push(['leave']),
  ownDevice: async () => mockDevice,
  joinWith: async () => {},
}));
const mockCode = 'c'.repeat(22);
let mockTell: (s: object) => void = () => {};
jest.mock('@/store/sync/pairing', () => ({
  codeLastsMs: 1,
  invite: async (_me: object, what: { kind: string }, _uses: object, tell: (s: object) => void) => {
    mockDone.push(['invite', what.kind]);
    mockTell = tell;
    return {
      code: mockCode,
      stop: () => {},
      refuse: () => mockDone.push(['refuse']),
      letIn: async () => mockDone.push(['letIn']),
    };
  },
  knock: async (code: string, name: string, _uses: object, tell: (s: object) => void) => {
    mockDone.push(['knock', code, name]);
    mockTell = tell;
    return { stop: () => {} };
  },
}));
jest.mock('@/store/sync/seal', () => ({ canSeal: () => mockSecure }));
jest.mock('@/bench-kit/useDemoDay', () => ({ useDemoDay: () => mockDemo }));
jest.mock('@/bench-kit/backupNow', () => ({ backupNow: async () => ({ text: 'saved', checked: false }) }));

globalThis.TextEncoder ??= TextEncoder as typeof globalThis.TextEncoder;

const t0 = Date.UTC(2026, 3, 14, 13);
const view = (over: Partial<SyncView> = {}): SyncView => ({
  ...{ me: { id: 'me', name: 'Tablet' }, up: true, loans: [], loan: null, troubles: [] },
  members: [
    { id: 'me', name: 'Tablet', key: '', since: t0, heardAt: null },
    { id: 'p1', name: 'Phone', key: '', since: t0, heardAt: null },
  ],
  ...over,
});
beforeEach(() => {
  startShop(t0);
  mockView = view();
  mockDone.length = 0;
  mockDemo = null;
  mockSecure = true;
  mockRelay = true;
  globalThis.fetch = async () =>
    ({ headers: new Headers({ 'content-type': mockRelay ? 'application/json' : 'text/html' }) }) as Response;
});
afterEach(cleanup);

const hold = async (name: RegExp) => {
  jest.useFakeTimers();
  fireEvent.mouseDown(screen.getByRole('button', { name }), { button: 0 });
  await act(async () => void jest.advanceTimersByTime(3000));
  jest.useRealTimers();
};

it('in the demo, and where the page is not secure, it says what to do instead', () => {
  mockDemo = {};
  const { unmount } = render(<DevicesScreen />);
  expect(screen.getByRole('link', { name: 'My own shop' }).getAttribute('href')).toBe('/own');
  expect(screen.queryByRole('button', { name: 'Add a device' })).toBeNull();
  unmount();
  mockDemo = null;
  mockSecure = false;
  render(<DevicesScreen />);
  expect(screen.getByText(/npm run shop/)).toBeTruthy();
  expect(screen.queryByRole('button', { name: 'Add a device' })).toBeNull();
});

it('where only files are served it says that nothing passes on, and makes no code', async () => {
  mockRelay = false;
  render(<DevicesScreen />);
  await press('Add a device');
  expect(screen.getByRole('alert').textContent).toContain('Nothing at this address passes on');
  expect(mockDone).toEqual([]);
});

it('a device is let in after its digits were compared, or refused', async () => {
  render(<DevicesScreen />);
  await press('Add a device');
  expect(mockDone).toEqual([['found'], ['invite', 'shop']]);
  expect(screen.getByTestId('join-link').textContent).toContain(`/join#${mockCode}`);
  await act(async () =>
    mockTell({ step: 'compare', digits: '0420', name: 'Phone', job: null, clockByMs: 3 * 3_600_000 }),
  );
  expect(screen.getByTestId('digits').textContent).toBe('0420');
  expect(screen.getByText(/^The clocks differ by 3 h/)).toBeTruthy();
  await press('Same digits: let it in');
  await press('Not the same');
  expect(mockDone.slice(2)).toEqual([['letIn'], ['refuse']]);
  await act(async () => mockTell({ step: 'spent' }));
  expect(screen.getByText('This code is over. Make a new one.')).toBeTruthy();
  await press('Done');
  expect(screen.getByRole('button', { name: 'Add a device' })).toBeTruthy();
});

it('a device is taken out by holding, a job is taken back by a press, and a name without letters is refused', async () => {
  mockView = view({ loans: [{ id: 'l1', name: 'Mira', jobId: 'demo-0143', secret: '', since: t0, over: false }] });
  render(<DevicesScreen />);
  await hold(/^Take Phone out/);
  await press('Take J-0143 back');
  expect(mockDone).toEqual([
    ['takeOut', 'p1'],
    ['takeBack', 'l1'],
  ]);
  await enter('What the others call it', ' ');
  await press('Call it so');
  expect(screen.getByRole('alert').textContent).toContain('Name: enter 1 to 60 letters');
  await enter('What the others call it', 'Long bench');
  await press('Call it so');
  expect(mockDone.at(-1)).toEqual(['rename', 'Long bench']);
});

it('what is wrong with others is said by name', () => {
  mockView = view({
    up: false,
    troubles: [
      { kind: 'refused', from: 'Phone', count: 2, what: 'percent: at most 100' },
      { kind: 'strange', from: '?', count: 1 },
      { kind: 'garbled', from: '?', count: 1 },
      { kind: 'clock', from: 'Phone', byMs: -40 * 86_400_000 },
      { kind: 'settings', from: 'Phone', what: 'money' },
      { kind: 'over' },
    ],
  });
  render(<DevicesScreen />);
  for (const text of [
    /^Phone sent 2 entries that were not taken, the first: percent: at most 100/,
    /^Something talks in this room without/,
    /^Another device sent something that cannot be read/,
    /^The clock of Phone differs by 40 days/,
    /^Phone has a setting that this version cannot read: money/,
    /^This device was taken out/,
    /^Not connected/,
  ])
    expect(screen.getByText(text)).toBeTruthy();
  expect([differenceText(30_000), differenceText(-89 * 60_000), differenceText(47 * 3_600_000)]).toEqual([
    '1 min',
    '89 min',
    '47 h',
  ]);
});

it('who joins gives a name and a whole code; what becomes of the demo is said before', async () => {
  mockDemo = {};
  render(<JoinScreen />);
  expect(screen.getByText('The demo on this device goes.')).toBeTruthy();
  await press('Knock');
  expect(screen.getByRole('alert').textContent).toContain('Name: enter 1 to 60 letters');
  await enter('Name of this device', 'Phone');
  await enter('Code', 'http://x/join#short');
  await press('Knock');
  expect(screen.getByRole('alert').textContent).toContain('22 letters and digits');
  await enter('Code', `http://x/join#${mockCode}`);
  await press('Knock');
  expect(mockDone).toEqual([['knock', mockCode, 'Phone']]);
  await act(async () => mockTell({ step: 'compare', digits: '0420', name: 'Tablet', job: null, clockByMs: 0 }));
  expect(screen.getByTestId('digits').textContent).toBe('0420');
  await act(async () => mockTell({ step: 'no' }));
  expect(screen.getByRole('alert').textContent).toContain('did not let this one in');
});
