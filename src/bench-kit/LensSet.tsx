import { told } from '@/words/told';
import { View } from 'react-native';

import { matchLenses, type LensCover } from '@/core/lens/lensSet';
import type { NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import { useActions } from './actions';
import { cameraFunctions } from '@/work/lift/lensCovers';
import { useSettings } from '@/store/shop';
import { Choice } from '@/ui/Choice';
import { missingMark } from '@/ui/missing';
import { NumberField } from '@/ui/NumberField';
import { Txt } from '@/ui/Txt';
import { length, lengthValue, typedToMm, whereText } from '@/words/units';
import { t as tr } from '@/words/lift';
import { functionName } from '@/words/functions';

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
    <View className="mt-2" {...missingMark(wrong.length > 0)}>
      {chosen.map((l) => (
        <NumberField
          key={l.bond.id}
          label={tr('newOneForAcross', { name: told(l.face.name) })}
          unit={units.length}
          low={lengthValue(1, units, 2)}
          high={lengthValue(60, units, 2)}
          digits={2}
          value={
            job.lenses.get(l.bond.id)?.newMm == null ? null : lengthValue(job.lenses.get(l.bond.id)!.newMm!, units, 2)
          }
          onCommit={(v) =>
            void log([{ type: 'lens', bondId: l.bond.id, step: 'chosen', done: true, newMm: typedToMm(v, units) }])
          }
        />
      ))}
      {given.length ? (
        <Txt size="s" tone={wrong.length ? 'caution' : 'ink'} testID="lensSizes">
          {wrong.length
            ? tr('doesNotFit', {
                list: wrong
                  .map((p) =>
                    tr('insteadOf', {
                      name: chosen.find((l) => l.bond.id === p.bondId)!.face.name,
                      newMm: length(p.newMm, units, 2),
                      oldMm: length(p.oldMm, units, 2),
                    }),
                  )
                  .join('; '),
              })
            : crossed
              ? tr('theyFitButSwapped', {
                  list: match.pairs
                    .map((p) =>
                      whereText(length(p.newMm, units, 2), told(chosen.find((l) => l.bond.id === p.bondId)!.face.name)),
                    )
                    .join(', '),
                })
              : tr('sizesFit')}
        </Txt>
      ) : null}
    </View>
  );
}

/** Each camera before new covers go on. */
export function CameraTests({ job, log }: { job: JobState; log: (e: readonly NewEvent[]) => unknown }) {
  return (
    <View className="mt-3" role="list" aria-label={tr('camerasBeforeNewCoversGoOn')}>
      <Txt strong>{tr('camerasBeforeNewCoversGoOn2')}</Txt>
      {cameraFunctions(job).map((fn) => (
        <Choice
          key={fn}
          asked
          label={functionName(fn)}
          value={job.functions.open[fn] === 'ok' ? 'ok' : job.functions.open[fn] === 'fail' ? 'fail' : null}
          options={[
            { id: 'ok', name: tr('works') },
            { id: 'fail', name: tr('doesNot') },
          ]}
          onChange={(result) => void log([{ type: 'function', fn, phase: 'open', result }])}
          {...(job.functions.open[fn] === 'fail'
            ? {
                hint: tr('blowItOutLookAgainFor'),
              }
            : {})}
        />
      ))}
    </View>
  );
}
