import { readFileSync } from 'node:fs';

import { schemaTexts } from './jsonSchema';

it.each(Object.entries(schemaTexts()))('%s in docs/schema is up to date with what the app reads', (name, text) => {
  expect(readFileSync(`docs/schema/${name}`, 'utf8')).toBe(text);
});

it('the job schema names every kind of event and its ranges', () => {
  const job = JSON.parse(schemaTexts()['job.schema.json']!) as { properties: Record<string, unknown> };
  const text = JSON.stringify(job);
  expect(Object.keys(job.properties).sort()).toEqual(['events', 'exportedAt', 'format', 'photos', 'version']);
  for (const kind of ['opened', 'heatOn', 'heatOff', 'reading', 'clampOff', 'undo'])
    expect(text).toContain(`"const":"${kind}"`);
});
