import { View } from 'react-native';

import type { EdgeId } from '@/core/device/types';
import type { NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import { edgeName } from '@/words/placeNames';
import { Choice, Tick } from '@/ui/Choice';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/intake';

interface CrackedAndSavedProps {
  job: JobState;
  cracked: readonly EdgeId[];
  onEdge: (edge: EdgeId) => void;
  log: (events: readonly NewEvent[]) => Promise<unknown>;
}

/** The first two questions: where it is cracked, and whether the back is saved. Heat, route and price follow from them. */
export function CrackedAndSaved({ job, cracked, onEdge, log }: CrackedAndSavedProps) {
  const whole = job.findings.crack?.answer === 'no';
  return (
    <>
      <Txt strong className="mb-1">
        {t('whereIsItCracked')}
      </Txt>
      {job.cracks.size ? (
        <Txt size="s" tone="ink2" className="mb-2">
          {t('asDrawnOnTheCrackMap')}
        </Txt>
      ) : (
        <View className="flex-row flex-wrap gap-x-4 mb-2">
          {(['top', 'left', 'right', 'bottom'] as const).map((e) => (
            <View key={e} className="w-[45%]">
              <Tick label={edgeName(e)} on={cracked.includes(e)} onChange={() => onEdge(e)} />
            </View>
          ))}
          <View className="w-full">
            <Tick
              label={t('notCracked')}
              on={whole}
              onChange={(on) => void log([{ type: 'finding', kind: 'crack', answer: on ? 'no' : 'unsure', edges: [] }])}
            />
          </View>
        </View>
      )}
      <Choice
        label={t('saveThisBack')}
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
