import { act, fireEvent, render, screen, within } from '@testing-library/react';

import type { NewEvent } from '@/model/event';
import { defaultHours } from '@/model/settings';
import { demoJobs, demoSettings } from '@/demo/shop';
import { forgetPlan } from '@/bench-kit/planStore';
import { eventsOn } from '../../../test-support/dayOf';
import { went } from '../../../test-support/mockRouter';
import { jobNow, logged, settingsNow, startShop } from '../../../test-support/mockShop';
import { enter, pass, press, choose } from '../../../test-support/stage';
import { BenchScreen } from './BenchScreen';
import { PlanScreen } from './PlanScreen';

jest.setTimeout(90_000);
jest.mock('@/store/practiceTries', () => ({ useTries: () => [] }));
jest.mock('expo-router', () => jest.requireActual('../../../test-support/mockRouter'));
jest.mock('@/store/shop', () => jest.requireActual('../../../test-support/mockShop'));

const t0 = new Date(2026, 3, 14, 14, 30).getTime();
const off = { type: 'heatOff', reason: 'ready', easyForS: 60, gripsInS: 80 } as const;

beforeEach(() => {
  jest.useFakeTimers({ now: t0 });
  went.length = 0;
  forgetPlan();
});
afterEach(() => jest.useRealTimers());

/** Nothing on the plate: the heating job is done with its lift. */
const calm = {
  'demo-0142': [
    off,
    { type: 'stage', stage: 'heat', to: 'done' },
    { type: 'stage', stage: 'lift', to: 'done' },
  ] as never,
};

describe('hands needed next', () => {
  it('comes from the plan with its reason, and starting it is one press that is logged with what was planned', async () => {
    startShop(t0, calm);
    render(<BenchScreen />);
    await pass(2000);
    const next = screen.getByTestId('next');
    expect(next.textContent).toMatch(/(Clean|Lift|Dry fit|Lay on|Strip|Take in) J-01\d\d/);
    expect(screen.getByTestId('whyFirst').textContent!.length).toBeGreaterThan(10);
    const label = /J-(01\d\d)/.exec(next.textContent!)![1];
    await press(`Start J-${label}`);
    expect(went[0]).toMatch(new RegExp(`^/jobs/demo-${label}/`));
    const [begun] = logged(`demo-${label}`).slice(-1);
    expect(begun).toMatchObject({ type: 'work', to: 'begun' });
    expect((begun as { plannedS: number }).plannedS).toBeGreaterThan(60);
    await pass(1000);
    expect(screen.queryByRole('button', { name: `Start J-${label}` })).toBeNull();
  });

  it('says what another order would cost; doing it all the same goes into the log with its reason', async () => {
    startShop(t0, calm);
    render(<BenchScreen />);
    await pass(3000);
    await press('Why and what else');
    const others = screen.getAllByRole('button', { name: /^Start J-\d+ instead$/ });
    expect(others.length).toBeGreaterThan(0);
    expect(screen.getByTestId('quality').textContent).toMatch(/The best there is|Within|A better plan may exist/);
    await enter('Because', 'the customer stands at the counter');
    const label = /J-(\d+)/.exec(others[0]!.getAttribute('aria-label')!)![1];
    await press(`Start J-${label} instead`);
    const notes = logged(`demo-${label}`);
    expect(notes.map((e) => e.type)).toEqual(expect.arrayContaining(['work', 'decision']));
    expect(notes.find((e) => e.type === 'decision')).toMatchObject({
      call: 'next',
      because: 'the customer stands at the counter',
    });
  });

  it('called away: told with the time, the plan does without, and back again', async () => {
    startShop(t0, calm);
    render(<BenchScreen />);
    await pass(2000);
    await press('Called away');
    await press('30 min');
    await pass(2000);
    expect(screen.getByText('Mirel is away until 15:00.')).toBeTruthy();
    expect(settingsNow().absences).toHaveLength(1);
    expect(within(screen.getByTestId('next')).queryByText('Mirel')?.textContent ?? '').not.toBe('now');
    await press('Mirel is back');
    await pass(2000);
    expect(screen.queryByText(/is away until/)).toBeNull();
  });

  it('nobody is ever there: says so and keeps the last plan that holds', async () => {
    startShop(t0, calm);
    const page = render(<BenchScreen />);
    await pass(2000);
    const before = screen.getByTestId('next').textContent;
    page.unmount();
    const never = { ...demoSettings, hours: { days: Array.from({ length: 7 }, () => null) } };
    // nothing noted for long: nobody is at work, so nobody stays on
    jest.setSystemTime(t0 + 3 * 3600e3);
    startShop(t0, calm, { settings: never });
    render(<BenchScreen />);
    await pass(1000);
    expect(screen.getByTestId('planProblem').textContent).toMatch(
      /^opening hours: nobody is there.*The last plan that holds is shown\.$/,
    );
    expect(before).toBeTruthy();
    expect(screen.getByTestId('next')).toBeTruthy();
  });
});

describe('the plan', () => {
  it('who has not passed the exercise that the shop asks for is named at the task, and the task stays theirs', async () => {
    const saving: NewEvent[] = [{ type: 'route', keepCover: true }];
    const more = Object.fromEntries(demoJobs(t0).map((l) => [l[0]!.jobId, l.length < 30 ? saving : []]));
    startShop(t0, more, { settings: { ...demoSettings, asksExercise: 'heat' } });
    render(<PlanScreen />);
    await pass(2500);
    for (const b of screen.queryAllByRole('button', { name: / more$/ })) await act(async () => void fireEvent.click(b));
    const rows = within(screen.getByRole('list', { name: 'Tasks of the plan' }))
      .getAllByRole('button')
      .filter((b) => /, Lift J-0138, /.test(b.getAttribute('aria-label')!));
    expect(rows.length).toBeGreaterThan(0);
    await act(async () => void fireEvent.click(rows[0]!));
    expect(screen.getByTestId('taskEdit').textContent).toMatch(/(Mirel|Osk) has not passed "Heat until it goes" yet/);
    expect(screen.getByRole('textbox', { name: /^Not before/ })).toBeTruthy();
  });

  it('as a list: a task is put off, by whom, and taken back; what it costs is told', async () => {
    startShop(t0, calm);
    render(<PlanScreen />);
    await pass(2500);
    await press(/ more$/);
    const list = screen.getByRole('list', { name: 'Tasks of the plan' });
    const row = within(list)
      .getAllByRole('button')
      .find((b) => /Dry fit J-0141/.test(b.getAttribute('aria-label')!))!;
    await act(async () => void fireEvent.click(row));
    await enter('Because', 'glass comes from the store');
    await enter('Not before, time or date and time', '19:00');
    await pass(2500);
    const wish = logged('demo-0141').at(-1)!;
    expect(wish).toMatchObject({
      type: 'planWish',
      task: 'dryFit',
      kind: 'notBefore',
      because: 'glass comes from the store',
    });
    expect(new Date((wish as { wishAt: number }).wishAt).getHours()).toBe(19);
    expect(screen.getByTestId('wishCost').textContent).toMatch(/1 wish in the plan(It costs|What it costs)/);
    expect(screen.getByRole('list', { name: 'Tasks of the plan' }).textContent).toMatch(/19:00/);
    await choose('Who: Osk');
    expect(jobNow('demo-0141').wishes.get('dryFit')).toMatchObject({ kind: 'notBefore', person: 'Osk' });
    await press('Free again');
    expect(jobNow('demo-0141').wishes.size).toBe(0);
  });

  it('a time that is over is refused with the allowed range and changes nothing', async () => {
    startShop(t0, calm);
    render(<PlanScreen />);
    await pass(2500);
    await press(/ more$/);
    const row = within(screen.getByRole('list', { name: 'Tasks of the plan' }))
      .getAllByRole('button')
      .find((b) => /Dry fit J-0141/.test(b.getAttribute('aria-label')!))!;
    await act(async () => void fireEvent.click(row));
    const before = logged('demo-0141').length;
    await enter('Not before, time or date and time', '2026-04-13 10:00');
    expect(screen.getByText(/^Not before: Mon/).textContent).toMatch(
      /^Not before: Mon 13 Apr 10:00 is too early, enter a time from 14:30 to /,
    );
    await enter('Not before, time or date and time', 'soon');
    expect(screen.getByText(/you entered "soon"/)).toBeTruthy();
    expect(logged('demo-0141')).toHaveLength(before);
  });

  it('a wish that cannot be kept: named, the last plan stays, and it can be taken back there', async () => {
    startShop(t0, calm);
    render(<PlanScreen />);
    await pass(2500);
    await press(/ more$/);
    const find = () =>
      within(screen.getByRole('list', { name: 'Tasks of the plan' }))
        .getAllByRole('button')
        .find((b) => /Check J-0142/.test(b.getAttribute('aria-label')!))!;
    await act(async () => void fireEvent.click(find()));
    await enter('Exactly at, time or date and time', '14:31');
    await pass(500);
    expect(screen.getByTestId('planProblem').textContent).toMatch(
      /^J-0142: its order or its window cannot be kept .*The last plan that holds is shown\.$/,
    );
    expect(find()).toBeTruthy();
    await press('Free again');
    await pass(500);
    expect(screen.queryByTestId('planProblem')).toBeNull();
  });

  it('called away: what is in hand is laid aside; nothing else is noted', async () => {
    // who noted it in the test’s shop is somebody of this shop
    startShop(
      t0,
      {},
      {
        jobs: new Map(
          demoJobs(t0).map((l) => [
            l[0]!.jobId,
            l[0]!.jobId === 'demo-0141'
              ? [...l, ...eventsOn('demo-0141', 'w', 0, t0, 'Mirel', [{ type: 'work', stage: 'dryFit', to: 'begun' }])]
              : l,
          ]),
        ),
      },
    );
    render(<PlanScreen />);
    await pass(2500);
    await press('Called away');
    await press('10 min');
    expect(logged('demo-0141')).toMatchObject([{ type: 'work', stage: 'dryFit', to: 'aside' }]);
  });

  it('a late job: by how much, and what was tried to save it', async () => {
    startShop(t0, { ...calm, 'demo-0141': [{ type: 'promise', promiseAt: t0 + 600e3 }] as never });
    render(<PlanScreen />);
    await pass(2500);
    const late = screen.getByTestId('late');
    const line = within(late).getByRole('button');
    expect(line.textContent).toMatch(/J-0141 is late by \d+ (min|h)|late: .*J-0141/);
    await act(async () => void fireEvent.click(line));
    expect(late.textContent).toMatch(/J-0141 is late by \d+ (min|h)/);
    await act(
      async () => void fireEvent.click(within(late).getAllByRole('button', { name: 'What would save it' })[0]!),
    );
    await pass(2500);
    expect(screen.getByTestId('late').textContent).toMatch(/ready \d\d:\d\d|Nothing we tried/);
  });

  it('the picture says the same in words', async () => {
    startShop(t0, calm, { settings: { ...demoSettings, hours: defaultHours } });
    render(<PlanScreen />);
    await pass(2500);
    const line = screen.getByTestId('timeline');
    expect(line.querySelector('[role=img]')!.getAttribute('aria-label')).toMatch(/^Plan from 14:20 to 16:30: Mirel/);
  });
});
