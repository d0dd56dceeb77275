import { parseEvent } from '@/model/event';
import { settingsSchema } from '@/model/settings';
import { demoSettingsAt, wholeDemo } from './seed';

// it is taken in without being read first, because of this
it('every entry of the demo, and its settings, are read as they were made', () => {
  const all = wholeDemo().flat();
  expect(all.length).toBeGreaterThan(1500);
  for (const e of all) {
    const read = parseEvent(JSON.parse(JSON.stringify(e)));
    expect(read).toMatchObject({ ok: true });
    expect(read.ok && read.value.type).toBe(e.type);
  }
  expect(settingsSchema.safeParse(demoSettingsAt(Date.now())).success).toBe(true);
});
