import { memo } from 'react';
import { View } from 'react-native';

import { Perimeter } from '@/core/device/perimeter';
import type { Pt } from '@/core/device/types';
import type { NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { pieceReasons, type Found } from '@/bench-kit/crackMap';
import { JobPage } from '@/bench-kit/JobPage';
import { withFace } from '@/bench-kit/withFace';
import { placeName } from '@/words/placeNames';
import { backHref } from '@/bench-kit/cameFrom';
import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { area, length, percent } from '@/words/units';
import { useCrackMapScreen } from './useCrackMapScreen';
import { CrackLead, CrackPicture, CrackCall, TypeCrack } from './CrackMapParts';
import { t } from '@/words/intake';

const listed = 60;

const OrderList = memo(function OrderList({ found, settings }: { found: Found; settings: Settings }) {
  const total = found.map.pieces.reduce((m, p) => m + p.areaMm2, 0);
  return (
    <View className="mt-3" role="list" aria-label={t('orderOfLifting')}>
      <Txt strong className="mb-1">
        {t('orderOfLifting')}
      </Txt>
      {found.steps.slice(0, listed).map((s, i) => (
        <View key={s.pieceId} role="listitem" className="flex-row gap-2 py-1 border-b border-rule">
          <Txt num strong className="w-[34px]">
            {i + 1}
          </Txt>
          <View className="flex-1">
            <Txt size="s">{pieceReasons(s, settings)}</Txt>
            <Txt size="s" tone="ink2">
              {t('ofTheGlass', { areaMm2: area(s.areaMm2, settings), areaMm22: percent(s.areaMm2 / total) })}
            </Txt>
          </View>
        </View>
      ))}
      {found.steps.length > listed ? <Txt size="s">{t('andMore', { length: found.steps.length - listed })}</Txt> : null}
    </View>
  );
});

interface MarksProps extends Pick<JobState, 'cracks' | 'chips'> {
  path: Perimeter;
  settings: Settings;
  log: (events: NewEvent[]) => unknown;
}

/** Every mark of the map with its way to rub it out by key. */
const Marks = memo(function Marks({ cracks, chips, path, settings, log }: MarksProps) {
  return (
    <View className="mt-4" role="list" aria-label={t('cracksAndChips')}>
      {[...cracks].map(([id, pts], i) => (
        <Row
          key={id}
          text={t('crackPoints', { i: i + 1, pts: length(lengthOf(pts), settings, 0), n: pts.length })}
          action={t('rubOutCrack', { i: i + 1 })}
          onPress={() => void log([{ type: 'crackGone', crackId: id }])}
        />
      ))}
      {[...chips].map(([id, at], i) => (
        <Row
          key={id}
          text={t('chip2', { i: i + 1, path: placeName(path, path.locate(at)) })}
          action={t('rubOutChip', { i: i + 1 })}
          onPress={() => void log([{ type: 'chipGone', chipId: id }])}
        />
      ))}
    </View>
  );
});

function Row({ text, action, onPress }: { text: string; action: string; onPress: () => void }) {
  return (
    <View role="listitem" className="flex-row items-center gap-2 border-b border-rule py-1">
      <Txt size="s" className="flex-1">
        {text}
      </Txt>
      <Button kind="small" label={action} onPress={onPress} />
    </View>
  );
}

const lengthOf = (pts: readonly Pt[]) =>
  pts.reduce((m, p, i) => (i ? m + Math.hypot(p[0] - pts[i - 1]![0], p[1] - pts[i - 1]![1]) : 0), 0);

export function CrackMapScreen(p: { job: JobState }) {
  const here = useCrackMapScreen(p);
  const { job, now, last, undo, router, found, pieces, settings, path, log } = here;
  return (
    <JobPage
      job={job}
      title={withFace(job, t('crackMap'))}
      now={now}
      stage="intake"
      lead={<CrackLead here={here} />}
      picture={(size) => <CrackPicture here={here} size={size} />}
      side={
        <Button
          label={t('undo')}
          disabled={!last}
          onPress={() => {
            if (last) undo(last.id);
          }}
        />
      }
      main={<Button kind="main" label={t('mapIsDone')} onPress={() => router.replace(backHref(job, 'intake'))} />}
    >
      <CrackCall here={here} />
      {found && pieces.length > 1 ? <OrderList found={found} settings={settings} /> : null}
      <TypeCrack here={here} />
      <Marks cracks={job.cracks} chips={job.chips} path={path} settings={settings} log={log} />
      <Txt size="s" tone="ink2" className="mt-3">
        {t('splintersEyeCoverGlovesTapeOver')}
      </Txt>
    </JobPage>
  );
}
