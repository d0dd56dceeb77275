import { eventsOn } from '../../test-support/dayOf';
import type { JobEvent, NewEvent } from './event';
import { parseEvent } from './event';
import { foldJob } from './fold';
import { shippedDevices } from './shippedDevices';
import { emptyJobSlices, emptyJointSlices, jobSlices, jointSlices } from './stages/slices';
import { stageDefs } from './stages';
import { plainWay, type Step } from './way';

const t0 = Date.UTC(2026, 3, 14, 13);
const device = shippedDevices.find((d) => d.bonds.length === 2 && d.id === 'fold78')!;
const [back, outer] = ['backRing', 'outerRing'];

/** Heat and lift at the outer leaf first, then all of the back, strip and check once. */
const way: Step[] = [
  { key: 'intake', stage: 'intake', joint: null },
  { key: `heat@${outer}`, stage: 'heat', joint: outer },
  { key: `lift@${outer}`, stage: 'lift', joint: outer },
  ...plainWay(back).filter((s) => s.stage !== 'intake'),
];

const opened = {
  v: 1,
  ...{ id: 'o', jobId: 'j', writer: 'w', seq: 0, at: t0, loggedAt: t0, by: 'Mirel' },
  ...{ type: 'opened', label: 'J-1', device, bondId: back, promiseAt: null, customerMark: '', steps: way },
} as JobEvent;
const fold = (list: readonly NewEvent[], joint?: string) =>
  foldJob([opened, ...eventsOn('j', 'w', 1, t0 + 1000, 'Mirel', list)], joint)!;

const done = (stage: 'intake' | 'heat' | 'lift' | 'bond' | 'cure', joint?: string): NewEvent => ({
  type: 'stage',
  stage,
  to: 'done',
  joint,
});
const heatOn = (setC: number, joint?: string): NewEvent => ({
  type: 'heatOn',
  ...{ setC, preheated: true, startC: 22, modelRun: '', readyInS: null, joint },
});

it('steps of one joint are done without those of another, and the job stands at the first that is not', () => {
  expect(fold([]).step.key).toBe('intake');
  const first = fold([done('intake')]);
  expect([first.step.key, first.stage, first.joint]).toEqual([`heat@${outer}`, 'heat', outer]);
  const then = fold([done('intake'), done('heat', outer), done('lift', outer)]);
  expect([then.step.key, then.joint]).toEqual([`heat@${back}`, back]);
  expect([then.progress[`heat@${outer}`], then.progress[`heat@${back}`]]).toEqual(['done', 'todo']);
  // an entry that names no joint is about the job's own
  expect(fold([done('heat')]).progress).toMatchObject({ [`heat@${back}`]: 'done', [`heat@${outer}`]: 'todo' });
});

it('every joint has its own clocks, cuts and view; what the job has once is the same from both', () => {
  const log: NewEvent[] = [
    heatOn(80, outer),
    { type: 'cut', fromMm: 0, toMm: 20, free: true, joint: outer },
    heatOn(95),
    { type: 'ambient', tempC: 17 },
  ];
  const [a, b] = [fold(log, outer), fold(log, back)];
  expect([a.heat.map((h) => h.setC), b.heat.map((h) => h.setC)]).toEqual([[80], [95]]);
  expect([a.cut.isFree({ fromMm: 1, toMm: 19 }), b.cut.isFree({ fromMm: 1, toMm: 19 })]).toEqual([true, false]);
  expect([a.face.id, b.face.id, a.bond.id, b.bond.id]).toEqual(['secondOuter', 'back', outer, back]);
  // a bond is cut: from here on nothing counts as found before, whichever joint it was
  expect([a.opened, b.opened, a.ambientC, b.ambientC]).toEqual([true, true, 17, 17]);
});

it('a joint that is opened again takes its bond and cure back, and no other', () => {
  const withBond: Step[] = [
    ...way,
    { key: `bond@${outer}`, stage: 'bond', joint: outer },
    { key: `cure@${outer}`, stage: 'cure', joint: outer },
  ];
  const events = eventsOn('j', 'w', 1, t0, 'Mirel', [
    done('bond', outer),
    done('cure', outer),
    done('bond'),
    done('cure'),
    { type: 'reopened', why: 'a crumb', joint: outer },
  ]);
  const s = foldJob([{ ...opened, steps: withBond } as JobEvent, ...events])!;
  expect(s.progress).toMatchObject({
    [`bond@${outer}`]: 'started',
    [`cure@${outer}`]: 'todo',
    [`bond@${back}`]: 'done',
    [`cure@${back}`]: 'done',
  });
});

it('a joint that the model does not have is folded into the job’s own, and read as it came', () => {
  const e = { ...eventsOn('j', 'w', 1, t0, 'Mirel', [heatOn(90)])[0]!, joint: 'gone' };
  expect(foldJob([opened, e as JobEvent], back)!.heat).toHaveLength(1);
  const read = parseEvent(JSON.parse(JSON.stringify(e)));
  expect(read.ok && read.value.joint).toBe('gone');
});

it('no two slices keep a thing by one name, and those of a stage have its name', () => {
  const f = fold([]);
  const view = {
    opened,
    model: f.model,
    device: f.device,
    bond: f.bond,
    face: f.face,
    path: { lengthMm: 100 },
  } as never;
  const names = [emptyJointSlices(view), emptyJobSlices(view)].flatMap((x) => Object.values(x)).flatMap(Object.keys);
  expect(new Set(names).size).toBe(names.length);
  const stagesWithState = [...Object.keys(jointSlices), ...Object.keys(jobSlices)].filter(
    (n) => n !== 'cover' && n !== 'whole' && n !== 'ticks',
  );
  for (const s of stagesWithState) expect(stageDefs).toHaveProperty(s);
  // what a stage at a joint keeps is kept by joint
  for (const s of Object.keys(jointSlices).filter((n) => n !== 'cover' && n !== 'ticks'))
    expect(stageDefs[s as keyof typeof stageDefs].atJoint).toBe(true);
});
