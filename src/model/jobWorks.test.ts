import { demoJobs } from '@/demo/shop';
import { parseEvent, type JobEvent } from './event';
import { foldJob } from './fold';
import { jobWay } from './jobWay';
import { chosenWith, jointsOfWorks, leading, openable, worksOn, worksProblem, type JobWork } from './jobWorks';
import { partsOfJob } from './stock';
import { shippedDevices } from './shippedDevices';

const device = (id: string) => shippedDevices.find((d) => d.id === id)!;
const plastic = device('plastic60');
const lens = device('lens67');
const ring = device('ring61');
const back = plastic.bonds[0]!.id;

it('every model offers something at each thing that opens, and never what cannot be done there', () => {
  for (const d of shippedDevices) {
    const all = worksOn(d);
    expect(new Set(jointsOfWorks(all))).toEqual(new Set(openable(d)));
    for (const one of all) expect(worksProblem([one], d)).toBeNull();
    // opening and closing again comes last
    expect(all.at(-1)!.work).toMatch(/openClose|lensCovers/);
  }
});

it('a screen that is reached through the back keeps the back', () => {
  const one: JobWork = { joint: back, work: 'displayWithFrame' };
  expect(worksOn(plastic)).toContainEqual(one);
  expect(worksOn(device('front62')).filter((x) => x.work === 'displayWithFrame')).toHaveLength(1);
});

it('one cover is renewed once; a battery goes beside new glass, not beside a whole housing', () => {
  const at = (work: JobWork['work']) => ({ joint: back, work });
  let list = chosenWith(plastic, [], at('glassOnly'), true);
  list = chosenWith(plastic, list, at('inside'), true);
  expect(leading(list, back)).toEqual({ work: 'glassOnly', also: ['inside'] });
  list = chosenWith(plastic, list, at('wholeHousing'), true);
  expect(list).toEqual([at('wholeHousing')]);
  list = chosenWith(plastic, list, at('openClose'), true);
  expect(list).toEqual([at('openClose')]);
  expect(chosenWith(plastic, list, at('openClose'), false)).toEqual([]);
});

it('what has to come off first comes with it, and stays shut again without it', () => {
  const both = device('both65');
  const [frontJoint, backJoint] = both.bonds.map((b) => b.id) as [string, string];
  const back = { joint: backJoint, work: 'glassOnly' } as const;
  const open = { joint: frontJoint, work: 'openClose' } as const;
  expect(chosenWith(both, [], back, true)).toEqual([open, back]);
  expect(chosenWith(both, [open, back], back, false)).toEqual([]);
  // a screen that is renewed anyway opens the front
  const screen = { joint: frontJoint, work: 'displayAlone' } as const;
  expect(chosenWith(both, [screen], back, true)).toEqual([screen, back]);
  expect(chosenWith(both, [screen, back], back, false)).toEqual([screen]);
  // a back glued all over that leads inside itself waits for nothing
  const full = device('full64');
  expect(chosenWith(full, [], { joint: full.bonds[0]!.id, work: 'glassOnly' }, true)).toHaveLength(1);
  // lens glass in its frame is pushed out from behind
  const front = device('front62');
  const lenses = { joint: 'lensBond', work: 'lensCovers' } as const;
  expect(chosenWith(front, [], lenses, true)).toEqual([{ joint: 'frontRing', work: 'openClose' }, lenses]);
});

it('the outer screen of a folding device is renewed as a screen', () => {
  const outer = worksOn(device('fold78')).filter((x) => x.joint === 'outerRing');
  expect(outer.map((x) => x.work)).toContain('displayAlone');
  expect(outer.map((x) => x.work)).not.toContain('glassOnly');
});

it('every model has a battery plug, the first off and the last on', () => {
  for (const d of shippedDevices) expect(d.connectors.filter((c) => c.battery)).toHaveLength(1);
});

describe('a job that says what is to be done', () => {
  const opened = demoJobs(Date.UTC(2026, 3, 14, 13))[0]!.find((e) => e.type === 'opened')!;
  const start = (d: typeof ring, works: JobWork[]) =>
    ({ ...opened, device: d, bondId: works[0]!.joint, works, steps: jobWay(d, jointsOfWorks(works)) }) as JobEvent;
  const found = (crack: 'yes' | 'no', nth = 2) =>
    ({ ...opened, id: `f${nth}`, nth, type: 'finding', kind: 'crack', answer: crack }) as unknown as JobEvent;

  it('has its route from the first entry on: part, cover, inside', () => {
    const glass = ring.bonds[0]!.id;
    const job = foldJob([
      start(ring, [
        { joint: glass, work: 'glassOnly' },
        { joint: glass, work: 'inside' },
      ]),
    ])!;
    expect(job.route).toMatchObject({ work: 'glassOnly', also: ['inside'], cover: 'new', internalsOut: true });
    expect(job.stages.strip).toBe('todo');
    expect(partsOfJob(job)).toEqual(['ring61|glass|genuine', 'ring61|inner|genuine']);
    const alone = foldJob([start(ring, [{ joint: glass, work: 'glassOnly' }])])!;
    expect(alone.stages.strip).toBe('skipped');
  });

  it('a back that is opened for the screen goes back on, until it is found cracked: then it is renewed besides', () => {
    const first = start(plastic, [{ joint: back, work: 'displayWithFrame' }]);
    expect(foldJob([first])!).toMatchObject({ keepCover: true, route: { work: 'displayWithFrame', cover: 'save' } });
    const cracked = foldJob([first, found('yes')])!;
    expect(cracked).toMatchObject({
      keepCover: false,
      route: { work: 'glassOnly', also: ['displayWithFrame'], cover: 'new', internalsOut: true },
    });
    // taken back: only what was asked for is left
    expect(foldJob([first, found('yes'), found('no', 3)])!.route).toMatchObject({
      work: 'displayWithFrame',
      also: [],
      cover: 'save',
    });
  });

  it('strip is on the way of all joints when one of them needs it', () => {
    const [b, l] = [lens.bonds[0]!.id, lens.bonds[1]!.id];
    const job = foldJob([
      start(lens, [
        { joint: l, work: 'lensCovers' },
        { joint: b, work: 'inside' },
      ]),
    ])!;
    expect(job.stages.strip).toBe('todo');
    expect(
      foldJob([
        start(lens, [
          { joint: l, work: 'lensCovers' },
          { joint: b, work: 'glassOnly' },
        ]),
      ])!.stages.strip,
    ).toBe('skipped');
  });

  it.each<[string, JobWork[], RegExp]>([
    ['a joint of another model', [{ joint: 'nowhere', work: 'glassOnly' }], /none of this model/],
    ['a work of another face', [{ joint: back, work: 'displayAlone' }], /not done at/],
    [
      'twice',
      [
        { joint: back, work: 'inside' },
        { joint: back, work: 'inside' },
      ],
      /twice/,
    ],
    [
      'two new covers',
      [
        { joint: back, work: 'glassOnly' },
        { joint: back, work: 'wholeHousing' },
      ],
      /one of them/,
    ],
  ])('%s is refused by name and changes nothing', (_, works, said) => {
    const json = JSON.parse(JSON.stringify(start(plastic, [{ joint: back, work: 'inside' }]))) as object;
    expect(parseEvent(json).ok).toBe(true);
    expect(worksProblem(works, plastic)).toMatch(said);
    expect(parseEvent({ ...json, works })).toMatchObject({
      ok: false,
      problem: expect.stringMatching(/^works: /) as string,
    });
  });
});
