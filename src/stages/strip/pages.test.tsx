import { act, fireEvent, screen, within } from '@testing-library/react';

import type { NewEvent } from '@/model/event';
import { screwCsv, readScrewCsv } from '@/model/screwCsv';
import { shippedDevices } from '@/model/shippedDevices';
import { stripWork } from '@/work/strip/stripJob';
import { jobNow, logged, startShop } from '../../../test-support/mockShop';
import { went } from '../../../test-support/mockRouter';
import { dragMm, tapMm } from '../../../test-support/plan';
import { call, choose, enter, press, reading, reason, renderStage, tick } from '../../../test-support/stage';
import { BondStage } from '@/stages/bond/BondStage';
import { HeapScreen } from './HeapScreen';
import { OrderScreen } from './OrderScreen';
import { StripStage } from './StripStage';
import { TrayScreen } from './TrayScreen';

jest.mock('@/store/shop', () => jest.requireActual('../../../test-support/mockShop'));
jest.mock('expo-router', () => jest.requireActual('../../../test-support/mockRouter'));
jest.mock('@/ui/alarm', () => ({
  unlockSound: () => {},
  useAlarm: () => ({ flash: false, silent: false }),
  useAwake: () => 'held',
  Flash: () => null,
}));
const mockFiles = {
  saved: [] as { name: string; text: string }[],
  next: null as { text: () => Promise<string> } | null,
};
jest.mock('@/ui/download', () => ({
  download: (name: string, text: string) => void mockFiles.saved.push({ name, text }),
  pickFile: async () => mockFiles.next,
}));

const t0 = new Date('2026-04-14T13:00:00').getTime();
const housing = 'demo-0135';
const plastic = shippedDevices.find((d) => d.id === 'plastic60')!;

jest.setTimeout(60_000);
beforeEach(() => {
  jest.useFakeTimers({ now: t0 });
  went.length = 0;
  mockFiles.saved.length = 0;
});
afterEach(() => jest.useRealTimers());

/** The housing swap as it stands before anything inside was touched. */
const fresh = (more: NewEvent[] = []) => {
  startShop(t0);
  const touched = jobNow(housing).effective.filter((e) => e.type === 'partState');
  startShop(t0, { [housing]: [...touched.map((e): NewEvent => ({ type: 'undo', eventId: e.id })), ...more] });
};

const screwOut = (over: Record<string, number> = {}): NewEvent[] =>
  plastic.screws.map((s) => ({
    type: 'screw',
    hole: s.id,
    to: 'out',
    spec: { head: s.head, diaMm: s.diaMm, lengthMm: over[s.id] ?? s.lengthMm },
    cell: s.zone.slice(0, 4),
  }));
const everythingOut = (): NewEvent[] => [
  ...screwOut(),
  ...[
    'batteryPlug',
    'cameraPlug',
    'displayPlug',
    'portPlug',
    'antennaPlug',
    'coverPlate',
    'plugBracket',
    'footPlate',
  ].map((itemId): NewEvent => ({ type: 'stripped', itemId, to: 'out' })),
  ...['board', 'battery', 'camera', 'port'].map((partId): NewEvent => ({ type: 'partState', partId, to: 'out' })),
];
const smallOver = (): NewEvent[] => [
  ...['motor', 'earpiece', 'volumeKeys', 'magnet', 'antennaLine'].map((itemId): NewEvent => ({
    type: 'stripped',
    itemId,
    to: 'moved',
  })),
  ...['earMesh', 'portGasket', 'boardTape', 'paste'].map((itemId): NewEvent => ({
    type: 'stripped',
    itemId,
    to: 'renewed',
  })),
  { type: 'stripped', itemId: 'newFilm', to: 'peeled' },
];

describe('out', () => {
  it('screw by screw into its cell, one missing, one measured; then the bracket, then the battery plug', async () => {
    fresh();
    renderStage(StripStage, housing);
    expect(call()).toMatch(/^Screw 1 of 10, cover: into [A-C]\d\.$/);
    expect(reason()).toMatch(/^cross, 1\.4 mm × 3\.5 mm/);
    await press(/^Out, into/);
    expect(logged(housing).at(-1)).toMatchObject({
      type: 'screw',
      hole: 'cover1',
      to: 'out',
      cell: expect.stringMatching(/^[A-C]\d$/),
    });
    await press('Missing');
    expect(jobNow(housing).screwsOut.get('cover2')?.missing).toBe(true);
    expect(jobNow(housing).findings.screwMissing?.answer).toBe('yes');
    await enter('It is longer or shorter: length, mm', '3.2');
    await press(/^Out, into/);
    expect(jobNow(housing).screwsOut.get('cover3')?.lengthMm).toBe(3.2);
    for (let i = 4; i <= 10; i++) await press(/^Out, into/);
    expect(reading(/screws out/)).toMatch(/^9 \/ 34screws out, 1 missing/);
    expect(call()).toBe('Cover plate out.');
    await press('Cover plate is out');
    await press(/^Out, into/);
    await press(/^Out, into/);
    await press('Bracket of the battery plug is out');
    expect(call()).toBe('Battery plug off.');
    expect(reason()).toMatch(/^First of all\. Plastic or a fingernail, straight up/);
    await press('Battery plug is off');
    expect(jobNow(housing).stripped.get('batteryPlug')).toBe('out');
  });

  it('how antenna lines cross is noted where the plug comes off, and said again where it goes on', async () => {
    const before: NewEvent[] = everythingOut().filter((e) => !(e.type === 'stripped' && e.itemId === 'antennaPlug'));
    fresh(before);
    const page = renderStage(StripStage, housing);
    expect(call()).toBe('Antenna plug off.');
    await enter('How the cables cross: which lies over which', 'black over white, under the clip');
    await press('Antenna plug is off');
    expect(jobNow(housing).layNotes.get('antennaPlug')).toBe('black over white, under the clip');
    page.unmount();
    const noted: NewEvent = { type: 'stripped', itemId: 'antennaPlug', to: 'out', note: 'black over white' };
    const back = stripWork(jobNow(housing)).back;
    const earlier = back.slice(0, back.indexOf('antennaPlug'));
    const inNow = earlier.flatMap((id): NewEvent[] => {
      if (id.startsWith('screws:'))
        return [
          ...plastic.screws
            .filter((s) => `screws:${s.zone}` === id)
            .map((s): NewEvent => ({ type: 'screw', hole: s.id, to: 'in' })),
          { type: 'tightened', zone: id.slice(7), done: true },
        ];
      return plastic.parts.some((p) => p.id === id)
        ? [{ type: 'partState', partId: id, to: 'moved' }]
        : [{ type: 'stripped', itemId: id, to: 'in' }];
    });
    fresh([...before, noted, ...smallOver(), ...inNow]);
    renderStage(StripStage, housing);
    expect(call()).toBe('Antenna plug on, until it clicks.');
    expect(reason()).toMatch(/^As it lay: black over white\./);
  });

  it('a tap on the plan takes a screw out and puts it back; a smaller target has fewer steps', async () => {
    fresh();
    renderStage(StripStage, housing);
    const foot = plastic.screws.find((s) => s.id === 'foot5')!;
    await tapMm(foot.at);
    expect(jobNow(housing).screwsOut.has('foot5')).toBe(true);
    await tapMm(foot.at);
    expect(jobNow(housing).screwsOut.has('foot5')).toBe(false);
    const all = Number(/\/ (\d+)/.exec(reading(/steps out/)!)![1]);
    await choose('To come out: only the battery');
    expect(Number(/\/ (\d+)/.exec(reading(/steps out/)!)![1])).toBeLessThan(all);
  });

  it('the cell: three ways out, and only a flat, whole one goes in again; a bent one is not heated any more', async () => {
    fresh(everythingOut().filter((e) => !(e.type === 'partState' && e.partId === 'battery')));
    renderStage(StripStage, housing);
    expect(call()).toBe('Battery: pull tabs first.');
    expect(screen.queryByRole('radio', { name: 'What goes back in: the same battery' })).toBeNull();
    await tick('It came out flat');
    await choose('What goes back in: the same battery');
    expect(jobNow(housing).cellChoice).toMatchObject({ fit: 'same', flat: true });
    await press('Warm from the front');
    expect(went.at(-1)).toBe('/jobs/demo-0135/glue');
    await tick('It is bent');
    expect(jobNow(housing).cellChoice).toMatchObject({ fit: 'new', bent: true });
    expect(jobNow(housing).findings.cellSwollen?.answer).toBe('yes');
    expect(call()).toBe('The battery is swollen: no heat, no prying.');
    expect(screen.queryByRole('button', { name: 'Warm from the front' })).toBeNull();
  });
});

it('move over: one small piece after the other, with what is easily forgotten; what the shell has is ticked', async () => {
  fresh(everythingOut());
  renderStage(StripStage, housing);
  expect(screen.getByRole('radio', { name: 'Now: Move over' }).getAttribute('aria-checked')).toBe('true');
  expect(reading(/small pieces/)).toMatch(/^0 \/ 10small pieces; 4 to renew/);
  for (let i = 0; i < 10; i++) await press(/ is (over|new|off)$/);
  expect(jobNow(housing).stripped.get('motor')).toBe('moved');
  expect(jobNow(housing).stripped.get('newFilm')).toBe('peeled');
  await choose('Now: Move over');
  await tick('Camera island is on the new housing already');
  expect(jobNow(housing).parts.camera).toBe('onNew');
});

describe('back in', () => {
  const start = (more: NewEvent[] = []) => {
    fresh([...everythingOut(), ...smallOver(), ...more]);
    renderStage(StripStage, housing);
  };

  it('the reverse, every screw started before any is tight, the battery’s plug as late as its covers allow', async () => {
    start();
    expect(call()).toBe('Put in: charge port.');
    await press('Charge port is in');
    expect(call()).toMatch(/^From [A-C]\d into port2: one turn\.$/);
    await press('port2 is started');
    await press('port1 is started');
    expect(call()).toBe('All 2 started: tighten them crosswise.');
    await press('Port screws are tight');
    expect(call()).toBe('Port plug on, until it clicks.');
    const back = stripWork(jobNow(housing)).back;
    expect(back.indexOf('batteryPlug')).toBeGreaterThan(back.indexOf('cameraPlug'));
  });

  it('a swapped pair is named, and what it would pierce; taken out again it is gone', async () => {
    start();
    await press('Charge port is in');
    await choose(/^Screw that goes into port2: cross, 1\.4 mm × 4\.0 mm/);
    await press('port2 is started');
    expect(call()).toMatch(/^port2: (not the screw that came out|0\.\d\d mm too long)/);
    expect(screen.getByRole('list', { name: 'Findings' }).textContent).toContain('pierces what lies under it');
    await tapMm(plastic.screws.find((s) => s.id === 'port2')!.at);
    expect(jobNow(housing).screwsIn.size).toBe(0);
    expect(screen.queryByRole('list', { name: 'Findings' })).toBeNull();
  });

  it('ready only with every screw, tested, and the battery off again', async () => {
    const inAll: NewEvent[] = [
      ...plastic.screws.map((s): NewEvent => ({
        type: 'screw',
        hole: s.id,
        to: 'in',
        spec: { head: s.head, diaMm: s.diaMm, lengthMm: s.lengthMm },
      })),
      ...['cover', 'board', 'camera', 'foot', 'plug', 'port'].map((zone): NewEvent => ({
        type: 'tightened',
        zone,
        done: true,
      })),
      ...[
        'batteryPlug',
        'cameraPlug',
        'displayPlug',
        'portPlug',
        'antennaPlug',
        'coverPlate',
        'plugBracket',
        'footPlate',
      ].map((itemId): NewEvent => ({ type: 'stripped', itemId, to: 'in' })),
      ...['board', 'battery', 'camera', 'port'].map((partId): NewEvent => ({ type: 'partState', partId, to: 'moved' })),
    ];
    start(inAll);
    expect(call()).toBe('Test before closing.');
    expect(screen.getByRole('button', { name: 'Go to Clean: test before closing' })).toBeTruthy();
    await press('The rest works');
    expect(Object.values(jobNow(housing).functions.open).every((r) => r === 'ok')).toBe(true);
    await tick('Tested, all that should work works');
    await tick('Battery unplugged again');
    expect(call()).toBe('All back in, tested, battery off.');
    await press('Go to Clean');
    expect(jobNow(housing).stages.strip).toBe('done');
  });

  it('the cover is not ready while a screw is open; with a reason it can be overruled', async () => {
    startShop(t0, {
      'demo-0141': [{ type: 'screw', hole: 'bracket1', to: 'out', spec: { head: 'cross', diaMm: 1.4, lengthMm: 3 } }],
    });
    renderStage(BondStage, 'demo-0141');
    expect(screen.getByRole('button', { name: /: 1 screw is open$/ })).toBeTruthy();
    await enter('Close it all the same, because', 'thread is worn, customer knows');
    await press('Overrule it');
    expect(screen.queryByRole('button', { name: /: 1 screw is open$/ })).toBeNull();
    expect(jobNow('demo-0141').decisions.at(-1)).toMatchObject({
      call: 'screwsOpen',
      because: 'thread is worn, customer knows',
    });
  });
});

describe('pages', () => {
  it('a finger from a thing to what lies over it; a circle is refused and changes nothing', async () => {
    fresh();
    renderStage(OrderScreen, housing);
    expect(call()).toMatch(/^18 steps, \d+ min, the fewest there are\.$/);
    const plug = plastic.connectors.find((c) => c.id === 'cameraPlug')!;
    const battery = plastic.connectors.find((c) => c.id === 'batteryPlug')!;
    await dragMm(plug.at, battery.at);
    expect(logged(housing).at(-1)).toMatchObject({
      type: 'under',
      itemId: 'cameraPlug',
      over: 'batteryPlug',
      on: true,
    });
    const events = logged(housing).length;
    await dragMm(battery.at, plug.at);
    expect(screen.getByRole('alert').textContent).toContain('goes round in a circle: nothing was changed');
    expect(logged(housing)).toHaveLength(events);
    await choose('This: camera plug');
    await tick('battery plug');
    expect(jobNow(housing).under.at(-1)).toMatchObject({ id: 'cameraPlug', by: 'batteryPlug', on: false });
  });

  it('tray: the mat and the list go out, a list comes back in, a wrong one names its line and changes nothing', async () => {
    fresh(screwOut());
    renderStage(TrayScreen, housing);
    await press('Print mat');
    expect(mockFiles.saved[0]!.name).toBe('mat-J-0135.svg');
    await press('Screw list as CSV');
    const csv = mockFiles.saved[1]!.text;
    expect(csv.split(/\r?\n/)[0]).toBe('hole,zone,head,dia_mm,length_mm,cell,state');
    const job = jobNow(housing);
    const back = readScrewCsv(csv, job.device);
    expect('rows' in back && back.rows).toHaveLength(34);
    expect(screwCsv(job, () => 'A1')).toContain('cover1,cover,cross,1.4,3.5,A1,out');
    const say = async (text: string) => {
      mockFiles.next = { text: async () => text };
      await press('Read a screw list');
      await act(async () => void (await Promise.resolve()));
      return screen.getByTestId('told').textContent;
    };
    const events = logged(housing).length;
    expect(await say('hole,head,dia_mm,length_mm\ncover1,cross,1.4,99')).toMatch(
      /^line 2, length_mm: .*Nothing was changed\.$/,
    );
    expect(await say('hole,head,dia_mm,length_mm\nnope,cross,1.4,3')).toContain(
      'line 2, hole: nope is not a hole of this device',
    );
    expect(await say('a,b\n1,2')).toContain('line 1: no column hole');
    expect(logged(housing)).toHaveLength(events);
    expect(await say('hole,head,dia_mm,length_mm,state\ncover1,cross,1.4,3.1,out')).toBe('1 screw read.');
    expect(jobNow(housing).screwsOut.get('cover1')?.lengthMm).toBe(3.1);
  });

  it('a heap: kinds with their counts and cells, callipers where lengths are near', async () => {
    fresh(screwOut({ foot1: 3.8 }));
    renderStage(HeapScreen, housing);
    expect(call()).toBe('34 screws should lie there, of 7 kinds.');
    const rows = within(screen.getByRole('table', { name: 'Kinds in the heap' })).getAllByRole('row');
    expect(rows).toHaveLength(7);
    expect(rows.some((r) => /^1 × cross, 1\.4 mm × 3\.8 mm1 to foot, box/.test(r.textContent!))).toBe(true);
    expect(screen.getAllByText(/^Looks like .*: measure\.$/).length).toBeGreaterThan(0);
  });
});

it('counts are said aloud when the shop wants it', async () => {
  const said: string[] = [];
  Object.assign(globalThis, {
    speechSynthesis: { cancel: () => {}, speak: (u: { text: string }) => said.push(u.text) },
    SpeechSynthesisUtterance: class {
      constructor(readonly text: string) {}
    },
  });
  fresh();
  renderStage(StripStage, housing);
  await press(/^Out, into/);
  expect(said).toEqual([]);
  await tick('Say the counts aloud');
  await act(async () => void fireEvent.click(screen.getByRole('button', { name: /^Out, into/ })));
  expect(said).toEqual(['2 of 10']);
});
