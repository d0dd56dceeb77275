import { useMemo, useState } from 'react';
import { View } from 'react-native';

import { strippable } from '@/core/strip/graph';
import type { JobState } from '@/model/fold';
import { leadsInside } from '@/model/joints';
import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { useActions } from './actions';
import { openScrews, stopsClosing, stripWork } from '@/work/strip/stripJob';
import { Entry } from './Why';
import { t } from '@/words/kit';

const call = 'screwsOpen';

/** Why the cover cannot be called ready: screws that are out, or in the wrong place. Null: nothing, or overruled with a reason. */
export function useScrewGate(job: JobState): string | null {
  return useMemo(() => {
    // another cover may be closed while the inside is still out
    if (!leadsInside(job) || job.decisions.some((d) => d.call === call && d.because)) return null;
    const out = job.device.parts.filter((p) => strippable(p) && job.parts[p.id] === 'out').length;
    if (out && job.stages.strip !== 'skipped') return t('partsAreOut', { count: out });
    if (!job.screwsOut.size) return null;
    const open = openScrews(job).length;
    if (open) return open === 1 ? t('screwIsOpen', { open }) : t('screwsAreOpen', { open });
    const wrong = stripWork(job).check.findings.filter(stopsClosing).length;
    return wrong
      ? wrong === 1
        ? t('screwIsInTheWrongPlace', { wrong })
        : t('screwsAreInTheWrongPlace', { wrong })
      : null;
  }, [job]);
}

/** The way to overrule it: with a reason that goes into the log. */
export function ScrewGate({ job, stop }: { job: JobState; stop: string | null }) {
  const { log } = useActions(job);
  const [because, setBecause] = useState('');
  if (!stop) return null;
  return (
    <View className="mt-2 border-t border-rule pt-2" role="alert">
      <Txt tone="caution">{t('theBackIsNotReadyStrip', { stop })}</Txt>
      <Entry label={t('closeItAllTheSameBecause')} value={because} onChange={setBecause} />
      <Button
        kind="small"
        label={t('overruleIt')}
        disabled={!because.trim()}
        onPress={() =>
          void log([
            {
              type: 'decision',
              call,
              inputs: openScrews(job),
              computed: stop,
              chosen: 'close',
              because: because.trim(),
            },
          ])
        }
      />
    </View>
  );
}
