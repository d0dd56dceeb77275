import { demoJobs, demoSettings } from '@/demo/shop';
import { tellUs } from './tellUs';

const t0 = Date.UTC(2026, 3, 14, 13);
const logs = demoJobs(t0);
const file = tellUs({
  ...{ version: '0.2.0', storageFormat: 1, browser: 'b', at: 'now', trouble: null, problems: 0, unsaved: 0 },
  ...{
    page: '/jobs/demo-0143/heat?from=bench',
    settings: { ...demoSettings, person: 'Mirel', people: ['Mirel', 'Osk'] },
    logs,
  },
});

it('the last entries by kind and instant, in their order', () => {
  expect(file.counts).toMatchObject({ jobs: logs.length, entries: logs.flat().length });
  expect(file.last).toHaveLength(60);
  expect(file.last.map((l) => l.at)).toEqual([...file.last.map((l) => l.at)].sort());
  expect(file.last.some((l) => l.what.includes('stage='))).toBe(true);
  expect(file.page).toBe('/jobs/…/heat');
});

it('nothing of people, customers, devices or notes is in it', () => {
  const note = {
    ...logs[0]![0]!,
    id: 'n',
    type: 'note' as const,
    text: 'Mrs Tarn called about her photos',
    at: t0 + 9e9,
    loggedAt: t0 + 9e9,
  };
  const text = JSON.stringify(
    tellUs({
      ...{ version: '0.2.0', storageFormat: 1, browser: 'b', at: 'now', trouble: null, problems: 0, unsaved: 0 },
      ...{ page: '/', settings: demoSettings, logs: [...logs, [note]] },
    }),
  );
  expect(text).toContain('"type":"note"');
  for (const word of ['Mirel', 'Osk', 'locker', 'Tarn', 'photos', 'J-01', 'demo-01', 'Ring-bond', 'outline'])
    expect(text).not.toContain(word);
});
