import { View } from 'react-native';

import { useActions } from '@/bench-kit/actions';
import { faceName } from '@/bench-kit/faceName';
import { jointsSeen } from '@/bench-kit/jointsSeen';
import { coverKindOf } from '@/core/device/coverKinds';
import { capital } from '@/words/capital';

import type { EdgeId } from '@/core/device/types';
import type { JobState } from '@/model/fold';
import { edgeName } from '@/words/placeNames';
import { Choice, Tick } from '@/ui/Choice';
import { missingMark } from '@/ui/missing';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/intake';

/**
 * The first two questions of each cover that is opened: where it is cracked, and whether it is saved. Heat, route and price
 * follow from them. Lens covers are counted on their own page.
 */
export function CrackedAndSaved({ job }: { job: JobState }) {
  const seen = jointsSeen(job).filter((j) => !coverKindOf(j.face).lens);
  const all = seen.length ? seen : [job];
  return all.map((j) => (
    <OneCover key={j.joint} job={j} face={all.length > 1 ? capital(faceName(j.model, j.joint)) : null} />
  ));
}

function OneCover({ job, face }: { job: JobState; face: string | null }) {
  const { log } = useActions(job);
  const whole = job.findings.crack?.answer === 'no';
  const cracked = job.findings.crack?.edges ?? [];
  // with two of them each answer says whose it is
  const of = (words: string) => (face === null ? words : t('ofTheFace', { face, words }));
  const toggle = (e: EdgeId) =>
    void log([
      {
        type: 'finding',
        kind: 'crack',
        answer: 'yes',
        edges: cracked.includes(e) ? cracked.filter((x) => x !== e) : [...cracked, e],
      },
    ]);
  return (
    <>
      <Txt strong className="mb-1">
        {of(t('whereIsItCracked'))}
      </Txt>
      {job.cracks.size ? (
        <Txt size="s" tone="ink2" className="mb-2">
          {t('asDrawnOnTheCrackMap')}
        </Txt>
      ) : (
        <View className="flex-row flex-wrap gap-x-4 mb-2" {...missingMark(!job.findings.crack)}>
          {(['top', 'left', 'right', 'bottom'] as const).map((e) => (
            <View key={e} className="w-[45%]">
              <Tick label={edgeName(e)} say={of(edgeName(e))} on={cracked.includes(e)} onChange={() => toggle(e)} />
            </View>
          ))}
          <View className="w-full">
            <Tick
              label={t('notCracked')}
              say={of(t('notCracked'))}
              on={whole}
              onChange={(on) => void log([{ type: 'finding', kind: 'crack', answer: on ? 'no' : 'unsure', edges: [] }])}
            />
          </View>
        </View>
      )}
      <Choice
        label={face === null ? t('saveThisBack') : of(t('keepThisCover'))}
        value={job.coverSaid || job.findings.crack || job.cracks.size ? (job.keepCover ? 'save' : 'off') : null}
        options={[
          { id: 'save', name: t('saveIt') },
          { id: 'off', name: t('writeItOff') },
        ]}
        onChange={(v) => void log([{ type: 'route', keepCover: v === 'save' }])}
        hint={job.coverSaid ? t('heatRouteAndPriceFollowIt') : t('aCrackedBackIsWrittenOff')}
      />
    </>
  );
}
