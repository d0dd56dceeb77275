import { checkDevice } from '@/core/device/check';
import { cablesUnknown } from '@/core/device/known';
import { faceView } from '@/core/device/faceView';
import { bondPerimeter } from '@/core/device/perimeter';
import { keepOuts } from '@/core/lift/depth';
import { wilson } from '@/core/statistics/rates';
import { demoHistory } from '@/demo/history';
import { foldJob, type JobState } from '@/model/fold';
import { defaultSettings } from '@/model/defaultSettings';
import { deviceSchema } from '@/model/device';
import { guessDevice } from '@/model/guess';
import { shippedDevices } from '@/model/shippedDevices';

import { withLearned } from './keepLearned';
import { familyOf, modelHistory } from './modelHistory';
import { answersOf, firstAnswers } from './newModel';

const own = guessDevice(answersOf({ ...firstAnswers(), construction: 'ringGlass' }, 'own', 'own')!);
const joint = own.bonds[0]!.id;
const learned = (what: Parameters<typeof withLearned>[1][number]['what'], at: [number, number] | null, text = '') => ({
  itemId: `${what}1`,
  what,
  at,
  text,
  joint,
});

describe('what was learned goes into the model', () => {
  it('a cable is put where it was seen, and is no longer unknown; the model still holds together', () => {
    expect(cablesUnknown(own)).toBe(true);
    const d = withLearned(own, [learned('cable', [70, 90], 'charge cable')], 'J-1');
    expect(cablesUnknown(d)).toBe(false);
    expect(d.cables).toHaveLength(1);
    expect(d.cables[0]).toMatchObject({ name: 'charge cable', foldToward: 'right' });
    const view = faceView(d, d.bonds[0]!);
    const at = bondPerimeter(view.device, view.bond).point((d.cables[0]!.at.fromMm + d.cables[0]!.at.toMm) / 2).at;
    expect(Math.abs(at[1] - 90)).toBeLessThan(3);
    expect(checkDevice(d)).toEqual([]);
    expect(deviceSchema.parse(JSON.parse(JSON.stringify(d)))).toEqual(d);
  });
  it('a weak place keeps every blade away from it', () => {
    const d = withLearned(own, [learned('weak', [4, 60])], 'J-1');
    const outs = keepOuts(d, d.bonds[0]!, new Set(d.parts.map((p) => p.id)));
    expect(outs.find((k) => k.id === 'weak1')).toMatchObject({ shape: { kind: 'disc', c: [4, 60] } });
  });
  it('a part that is bound is the smallest that lies there; a tip changes nothing but the notes', () => {
    const { c, rMm } = own.parts.find((p) => p.kind === 'coil')!.shape as unknown as {
      c: [number, number];
      rMm: number;
    };
    expect(rMm).toBeGreaterThan(0);
    const d = withLearned(own, [learned('bound', c), learned('tip', null, 'screw under the label')], 'J-1');
    expect(d.parts.filter((p) => p.bound).map((p) => p.kind)).toEqual(['coil']);
    expect(d.notes?.map((n) => [n.what, n.text, n.from])).toEqual([
      ['bound', '', 'J-1'],
      ['tip', 'screw under the label', 'J-1'],
    ]);
    // twice is once
    expect(withLearned(d, [learned('bound', c)], 'J-1')).toEqual(d);
  });
  it('no cable at all is known too', () => {
    expect(cablesUnknown(withLearned(own, [learned('noCable', null)], 'J-1'))).toBe(false);
  });
});

describe('what the shop has learned of a model', () => {
  const jobs = demoHistory(Date.UTC(2026, 3, 14, 13)).flatMap((log) => foldJob(log) ?? []) as JobState[];
  const h = modelHistory('ring61', jobs, shippedDevices, defaultSettings);
  const mine = jobs.filter((j) => j.device.id === 'ring61' && j.closedAt !== null);
  it('counts its own jobs, and no other model’s', () => {
    expect(mine.length).toBeGreaterThan(2);
    expect(h.jobs).toBe(mine.length);
    expect(h.lastAt).toBe(Math.max(...mine.map((j) => j.closedAt!)));
    expect(modelHistory('nothing', jobs, shippedDevices, defaultSettings)).toMatchObject({
      jobs: 0,
      handsMin: null,
      broke: null,
    });
  });
  it('broken backs carry the interval of Wilson 1927', () => {
    expect(h.broke).not.toBeNull();
    expect(h.broke).toMatchObject(wilson(h.broke!.hits, h.broke!.of));
  });
  it('sisters are told together, from either side and over two steps', () => {
    const models = [
      { ...own, id: 'a' },
      { ...own, id: 'b', sisterOf: 'a' },
      { ...own, id: 'c', sisterOf: 'b' },
      { ...own, id: 'd' },
    ];
    expect(familyOf('a', models)).toEqual(['a', 'b', 'c']);
    expect(familyOf('c', models).sort()).toEqual(['a', 'b', 'c']);
    expect(familyOf('d', models)).toEqual(['d']);
    const withSister = shippedDevices.map((d) => (d.id === 'ring54' ? { ...d, sisterOf: 'ring61' } : d));
    const both = modelHistory('ring61', jobs, withSister, defaultSettings);
    expect(both.jobs).toBe(h.jobs + modelHistory('ring54', jobs, shippedDevices, defaultSettings).jobs);
    expect(both.sisters).toEqual(['ring54']);
  });
  it('how the glue gave is learned from the jobs on this model alone', () => {
    const o = {
      id: 'o1',
      at: 0,
      job: mine[0]!.label,
      adhesive: 'foamRing',
      gave: true,
      liftMm: 0.4,
      tC: 95,
      uK: 5,
      hMm: 0.8,
      ringMm: 2,
      fullArea: false,
      cover: 'glassStrengthened',
      out: false,
    };
    const settings = { seen: [o, { ...o, id: 'o2', job: 'J-9999', liftMm: 1.2 }] };
    const glue = modelHistory('ring61', jobs, shippedDevices, settings).glue;
    expect(glue).toHaveLength(1);
    expect(glue[0]!.seen).toBe(1);
    expect(glue[0]!.low).toBeLessThan(glue[0]!.factor);
  });
});
