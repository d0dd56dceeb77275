import { Link, useRouter, type Href } from 'expo-router';

import { JobPage } from '@/bench-kit/JobPage';
import { PhotoPlan } from '@/bench-kit/PhotoPlan';
import { stageHref } from '@/bench-kit/stageHref';
import { useNow } from '@/bench-kit/useNow';
import { Entry } from '@/bench-kit/Why';
import type { Outline } from '@/core/device/types';
import type { JobState } from '@/model/fold';
import type { StageId } from '@/model/stageIds';
import { useDevices, useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Numbers } from '@/ui/plan/layers';
import { Outlines } from '@/ui/plan/pieceLayers';
import { Txt } from '@/ui/Txt';
import { useWide } from '@/ui/useWide';
import { t } from '@/words/jobs';
import { stageName } from '@/words/stageWords';
import { FromBefore, NotedHere, PhotoOfIt, thingText, WhatIsIt } from './LearnParts';
import { useLearn, type LearnState } from './useLearn';

/** What is not said yet; null: it can be noted. */
function missingOf({ what, at, text, needsPlace }: LearnState): string | null {
  if (needsPlace && !at) return t('tapWhereItIs');
  return what === 'tip' && !text.trim() ? t('sayItInAWordOrTwo') : null;
}

/** Something about this device that the next one on the same model should know: a tap on the plan, a word or two. */
export function LearnScreen({ job, stage }: { job: JobState; stage: StageId }) {
  const router = useRouter();
  const now = useNow(5000);
  const wide = useWide();
  const units = useSettings();
  const devices = useDevices();
  const here = useLearn(job);
  const { items, what, at, atOnce, parts, partId } = here;
  const before = (devices.find((d) => d.device.id === job.device.id)?.device.notes ?? []).filter(
    (n) => n.face === job.bond.onFace && !job.learned.has(n.id),
  );
  const missing = missingOf(here);
  const marks = [
    ...before.flatMap((n) => (n.at ? [{ at: n.at, text: '', state: 'done' as const }] : [])),
    ...items.flatMap((l, i) => (l.at ? [{ at: l.at, text: String(i + 1), state: 'done' as const }] : [])),
    ...(at ? [{ at, text: String(items.length + 1), state: 'next' as const }] : []),
  ];
  return (
    <JobPage
      job={job}
      title={t('worthRemembering')}
      now={now}
      stage={stage}
      picture={(size) => (
        <PhotoPlan
          job={job}
          inside={job.opened}
          size={wide ? size : { width: size.width, height: Math.min(size.height, 300) }}
          label={job.device.name}
          lines={items.map((l) => thingText(l, units))}
          onTap={here.onTap}
        >
          {what === 'part' ? (
            <Outlines
              items={parts.map((p) => ({
                shape: (p.shape.kind === 'band' ? p.shape.of : p.shape) as Outline,
                on: p.id === partId,
              }))}
            />
          ) : null}
          <Numbers items={marks} />
        </PhotoPlan>
      )}
      side={
        <Button
          label={t('backToStage', { stage: stageName(stage) })}
          onPress={() => router.replace(stageHref(job.id, stage, job.bond.id))}
        />
      }
      main={
        <Button
          kind="main"
          label={what === 'part' ? (at ? t('itsMiddleIsHere') : t('itIsWhereItIsDrawn')) : t('noteIt')}
          disabled={atOnce || missing !== null}
          {...(atOnce ? { why: t('tapEachOfThem') } : missing === null ? {} : { why: missing })}
          onPress={here.note}
        />
      }
    >
      {here.problem ? (
        <Txt role="alert" tone="caution" testID="learnProblem">
          {here.problem}
        </Txt>
      ) : null}
      <Link
        href={`/jobs/${job.id}/inside?from=${stage}&back=remember&joint=${encodeURIComponent(job.joint)}` as Href}
        className="font-body text-m text-ink underline py-2 min-h-touch"
      >
        {job.opened ? t('photographTheInside') : t('photographTheCover')}
      </Link>
      <WhatIsIt here={here} />
      <Entry label={t('inAWordOrTwo')} value={here.text} onChange={here.setText} max={200} />
      <PhotoOfIt here={here} />
      <NotedHere here={here} />
      <FromBefore notes={before} />
    </JobPage>
  );
}
