import { View } from 'react-native';

import { functionTests } from '@/core/functions/tables';
import { matchLenses, type LensCover } from '@/core/lens/lensSet';
import type { NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { cameraFunctions } from '@/work/lift/lensJob';
import { useSettings } from '@/store/shop';
import { Choice } from '@/ui/Choice';
import { NumberField } from '@/ui/NumberField';
import { Txt } from '@/ui/Txt';
import { length, lengthNumber, typedToMm } from '@/words/units';

/** New covers by size against the old ones: a set has different sizes, and a swapped one pinches or rattles. */
export function Sizes({ job, chosen }: { job: JobState; chosen: readonly LensCover[] }) {
  const units = useSettings();
  const { log } = useActions(job);
  const given = chosen.flatMap((l) => {
    const mm = job.lenses.get(l.bond.id)?.newMm;
    return mm == null ? [] : [{ bondId: l.bond.id, mm }];
  });
  const match = matchLenses(
    chosen
      .filter((l) => given.some((g) => g.bondId === l.bond.id))
      .map((l) => ({ bondId: l.bond.id, sizeMm: l.sizeMm })),
    given.map((g) => g.mm),
  );
  const crossed = match.pairs.some((p) => given.find((g) => g.bondId === p.bondId)?.mm !== p.newMm);
  const wrong = match.pairs.filter((p) => !p.fits);
  return (
    <View className="mt-2">
      {chosen.map((l) => (
        <NumberField
          key={l.bond.id}
          label={`New one for ${l.face.name}, across`}
          unit={units.length}
          low={Number(lengthNumber(1, units, 2))}
          high={Number(lengthNumber(60, units, 2))}
          digits={2}
          value={
            job.lenses.get(l.bond.id)?.newMm == null
              ? null
              : Number(lengthNumber(job.lenses.get(l.bond.id)!.newMm!, units, 2))
          }
          onCommit={(v) =>
            void log([{ type: 'lens', bondId: l.bond.id, step: 'chosen', done: true, newMm: typedToMm(v, units) }])
          }
        />
      ))}
      {given.length ? (
        <Txt size="s" tone={wrong.length ? 'caution' : 'ink'} testID="lensSizes">
          {wrong.length
            ? `${wrong.map((p) => `${chosen.find((l) => l.bond.id === p.bondId)!.face.name}: ${length(p.newMm, units, 2)} instead of ${length(p.oldMm, units, 2)}`).join('; ')}: does not fit.`
            : crossed
              ? `They fit, but swapped: ${match.pairs.map((p) => `${length(p.newMm, units, 2)} on ${chosen.find((l) => l.bond.id === p.bondId)!.face.name}`).join(', ')}.`
              : 'Sizes fit.'}
        </Txt>
      ) : null}
    </View>
  );
}

/** Each camera before new covers go on. */
export function CameraTests({ job, log }: { job: JobState; log: (e: readonly NewEvent[]) => unknown }) {
  return (
    <View className="mt-3" role="list" aria-label="Cameras before new covers go on">
      <Txt strong>Cameras, before new covers go on</Txt>
      {cameraFunctions(job).map((fn) => (
        <Choice
          key={fn}
          label={functionTests.find((t) => t.id === fn)?.name ?? fn}
          value={job.functions.open[fn] === 'ok' ? 'ok' : job.functions.open[fn] === 'fail' ? 'fail' : null}
          options={[
            { id: 'ok', name: 'works' },
            { id: 'fail', name: 'does not' },
          ]}
          onChange={(result) => void log([{ type: 'function', fn, phase: 'open', result }])}
          {...(job.functions.open[fn] === 'fail'
            ? {
                hint: 'Blow it out, look again for a splinter, reseat the camera; test again. No new cover over a camera that fails.',
              }
            : {})}
        />
      ))}
    </View>
  );
}
