import { demoJobs } from '@/demo/shop';
import { parseEvent, type JobEvent } from './event';
import { foldJob } from './fold';
import { jobWay, openingOrder, wayProblem } from './jobWay';
import { jointsOfWay, nextStep, plainWay, type Step } from './way';
import { shippedDevices } from './shippedDevices';

const device = (id: string) => shippedDevices.find((d) => d.id === id)!;
const lens = device('lens67');
const front = device('front62');
const leaf = device('fold78');
const said = (way: readonly Step[]) => way.map((s) => (s.joint === null ? s.stage : `${s.stage} ${s.joint}`));

it('one joint is the plain way', () => {
  for (const d of shippedDevices) expect(jobWay(d, [d.bonds[0]!.id])).toEqual(plainWay(d.bonds[0]!.id));
});

it('a back and its lens covers share intake, alcohol, check and hand-over; the back comes first, so that no open camera stands over heat', () => {
  const [back, cover] = [lens.bonds[0]!.id, lens.bonds[1]!.id];
  expect(openingOrder(lens, [cover, back])).toEqual([back, cover]);
  expect(said(jobWay(lens, [cover, back]))).toEqual([
    'intake',
    ...[`heat ${back}`, `lift ${back}`, `heat ${cover}`, `lift ${cover}`, 'strip'],
    ...[`clean ${back}`, `clean ${cover}`, `dryFit ${back}`, `dryFit ${cover}`],
    ...[`bond ${back}`, `bond ${cover}`, `cure ${back}`, `cure ${cover}`, 'check', 'handover'],
  ]);
});

it('the front comes before what lies in the back', () => {
  const [own, glass] = [front.bonds[0]!.id, front.bonds[1]!.id];
  expect(openingOrder(front, [glass, own])).toEqual([own, glass]);
});

it('with a front and a back the inside is covered or out before the back is heated', () => {
  // the two leaves of a folding model, one of them looked at as a front
  const both = { ...leaf, faces: leaf.faces.map((f, i) => (i === 1 ? { ...f, side: 'front' as const } : f)) };
  const [back, other] = [leaf.bonds[0]!.id, leaf.bonds[1]!.id];
  const way = said(jobWay(both, [back, other]));
  expect(way.slice(0, 6)).toEqual([
    'intake',
    `heat ${other}`,
    `lift ${other}`,
    'strip',
    `heat ${back}`,
    `lift ${back}`,
  ]);
});

it('a back glued all over behind a front: stripped before the hot plate; lens glass from behind: stripped before it is pushed', () => {
  const two = device('both65');
  expect(said(jobWay(two, ['backFull', 'frontRing'])).slice(0, 6)).toEqual([
    ...['intake', 'heat frontRing', 'lift frontRing', 'strip', 'heat backFull', 'lift backFull'],
  ]);
  // what was taken out goes in again through the front: it is closed last
  expect(said(jobWay(two, ['backFull', 'frontRing'])).filter((s) => s.startsWith('bond'))).toEqual([
    'bond backFull',
    'bond frontRing',
  ]);
  expect(said(jobWay(front, ['lensBond', 'frontRing'])).slice(0, 6)).toEqual([
    ...['intake', 'heat frontRing', 'lift frontRing', 'strip', 'heat lensBond', 'lift lensBond'],
  ]);
});

it('what is no way is refused with its reason', () => {
  const b = leaf.bonds[0]!.id;
  expect(() => jobWay(leaf, [])).toThrow(/at least one/);
  expect(() => jobWay(leaf, [b, b])).toThrow(/each once/);
  expect(() => jobWay(leaf, ['nowhere'])).toThrow(/joint of this model/);
  const plain = plainWay(b);
  const at = (stage: string) => plain.find((s) => s.stage === stage)!;
  const without = (...stages: string[]) => plain.filter((s) => !stages.includes(s.stage));
  expect(wayProblem(plain, leaf)).toBeNull();
  for (const d of shippedDevices)
    expect(
      wayProblem(
        jobWay(
          d,
          d.bonds.map((x) => x.id),
        ),
        d,
      ),
    ).toBeNull();
  expect(wayProblem([at('bond'), ...without('bond')], leaf)).toMatch(/bond comes before lift/);
  expect(wayProblem([...plain, at('heat')], leaf)).toMatch(/twice/);
  expect(wayProblem([...plain, { ...at('heat'), key: 'again' }], leaf)).toMatch(/twice for the same joint/);
  expect(wayProblem([{ ...at('heat'), joint: null }, ...without('heat')], leaf)).toMatch(/has no joint/);
  expect(wayProblem([{ ...at('heat'), joint: 'other' }, ...without('heat')], leaf)).toMatch(/none of this model/);
  expect(wayProblem([at('handover'), ...without('handover')], leaf)).toMatch(/hand-over last/);
});

describe('a job at two joints', () => {
  const log = demoJobs(Date.UTC(2026, 3, 14, 13))[0]!;
  const opened = log.find((e) => e.type === 'opened')!;
  const joints = [leaf.bonds[0]!.id, leaf.bonds[1]!.id];
  const steps = jobWay(leaf, joints);
  const start = { ...opened, device: leaf, bondId: joints[0]!, steps } as JobEvent;
  const done = (stage: string, joint?: string, nth = 2) =>
    ({
      ...opened,
      id: `e${nth}`,
      nth,
      type: 'stage',
      stage,
      to: 'done',
      ...(joint ? { joint } : {}),
    }) as unknown as JobEvent;

  it('each step is ended for its own joint, and the next one is that of the way', () => {
    const [a, b] = joints as [string, string];
    const heated = [start, done('intake', undefined, 2), done('heat', a, 3)];
    const job = foldJob(heated)!;
    expect(jointsOfWay(job.way)).toEqual(joints);
    expect([job.step.stage, job.step.joint, job.joint]).toEqual(['lift', a, a]);
    const next = foldJob([...heated, done('lift', a, 4)])!;
    expect([next.step.stage, next.step.joint, next.joint]).toEqual(['heat', b, b]);
    expect(nextStep(job, 'lift')).toMatchObject({ stage: 'heat', joint: b });
    // seen at the other joint, nothing of it is done
    expect(foldJob(heated, b)!.stages.heat).toBe('todo');
  });

  it('a file with a way that cannot be worked is refused by name', () => {
    const json = JSON.parse(JSON.stringify(start)) as { steps: Step[] };
    expect(parseEvent(json).ok).toBe(true);
    const bad = parseEvent({ ...json, steps: [...json.steps].reverse() });
    expect(bad).toMatchObject({ ok: false, problem: expect.stringMatching(/^steps: /) as string });
  });
});
