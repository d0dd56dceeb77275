import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import { useActions } from '@/bench-kit/actions';
import { JobPage } from '@/bench-kit/JobPage';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { stageHref } from '@/bench-kit/stageHref';
import { useNow } from '@/bench-kit/useNow';
import { Entry } from '@/bench-kit/Why';
import { learnedKinds, type LearnedKind, type Pt } from '@/core/device/types';
import type { JobState } from '@/model/fold';
import type { StageId } from '@/model/stageIds';
import { newId } from '@/store/ids';
import { useDevices } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Numbers } from '@/ui/plan/layers';
import { Txt } from '@/ui/Txt';
import { useWide } from '@/ui/useWide';
import { capital } from '@/words/capital';
import { t } from '@/words/jobs';
import { learnedName, learnedText } from '@/words/learnedNames';
import { stageName } from '@/words/stageWords';
import { learnedOf } from '@/work/devices/learnedOf';

/** What is said in words and not at a place. */
const placeless: ReadonlySet<LearnedKind> = new Set(['tip', 'noCable']);

/** Something about this device that the next one on the same model should know: a tap on the plan, a word or two. */
export function LearnScreen({ job, stage }: { job: JobState; stage: StageId }) {
  const router = useRouter();
  const now = useNow(5000);
  const wide = useWide();
  const { log } = useActions(job);
  const devices = useDevices();
  const [what, setWhat] = useState<LearnedKind>('tip');
  const [at, setAt] = useState<Pt | null>(null);
  const [text, setText] = useState('');
  const items = learnedOf(job).filter((l) => l.joint === job.bond.id);
  const before = (devices.find((d) => d.device.id === job.device.id)?.device.notes ?? []).filter(
    (n) => n.face === job.bond.onFace && !job.learned.has(n.id),
  );
  const needsPlace = !placeless.has(what);
  const missing =
    needsPlace && !at ? t('tapWhereItIs') : what === 'tip' && !text.trim() ? t('sayItInAWordOrTwo') : null;
  const note = () => {
    void log([
      {
        type: 'learned',
        itemId: newId(),
        what,
        place: needsPlace && at ? [at[0], at[1]] : null,
        text: text.trim(),
        on: true,
      },
    ]);
    setAt(null);
    setText('');
  };
  const marks = [
    ...before.flatMap((n) => (n.at ? [{ at: n.at, text: '', state: 'done' as const }] : [])),
    ...items.flatMap((l, i) => (l.at ? [{ at: l.at, text: String(i + 1), state: 'done' as const }] : [])),
    ...(at ? [{ at, text: String(items.length + 1), state: 'next' as const }] : []),
  ];
  const line = learnedText;
  return (
    <JobPage
      job={job}
      title={t('worthRemembering')}
      now={now}
      stage={stage}
      picture={(size) => (
        <PlainPlan
          job={job}
          size={wide ? size : { width: size.width, height: Math.min(size.height, 300) }}
          label={job.device.name}
          lines={items.map((l) => line(l.what, l.text))}
          onTap={(p) => {
            setAt(p);
            if (placeless.has(what)) setWhat('hiddenScrew');
          }}
        >
          <Numbers items={marks} />
        </PlainPlan>
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
          label={t('noteIt')}
          disabled={missing !== null}
          {...(missing === null ? {} : { why: missing })}
          onPress={note}
        />
      }
    >
      <Choice
        label={t('whatIsIt')}
        value={what}
        options={learnedKinds.map((id) => ({ id, name: capital(learnedName(id)) }))}
        onChange={setWhat}
        {...(needsPlace ? { hint: t('tapWhereItIs') } : {})}
      />
      <Entry label={t('inAWordOrTwo')} value={text} onChange={setText} max={200} />
      {items.length ? (
        <View className="mt-3">
          <Txt strong level={2}>
            {t('notedOnThisJob')}
          </Txt>
          <View role="list" aria-label={t('notedOnThisJob')}>
            {items.map((l, i) => (
              <View
                key={l.itemId}
                role="listitem"
                className="flex-row items-center gap-2 border-b border-rule min-h-[48px]"
              >
                <Txt className="flex-1">{t('numbered', { n: i + 1, said: line(l.what, l.text) })}</Txt>
                <Button
                  kind="small"
                  label={t('takeItOut')}
                  onPress={() =>
                    void log([
                      {
                        type: 'learned',
                        itemId: l.itemId,
                        what: l.what,
                        place: l.at && [l.at[0], l.at[1]],
                        text: l.text,
                        on: false,
                      },
                    ])
                  }
                />
              </View>
            ))}
          </View>
        </View>
      ) : null}
      {before.length ? (
        <View className="mt-3" testID="knownFromBefore">
          <Txt strong level={2}>
            {t('knownFromBefore')}
          </Txt>
          <View role="list" aria-label={t('knownFromBefore')}>
            {before.map((n) => (
              <View key={n.id} role="listitem" className="border-b border-rule py-2">
                <Txt>{line(n.what, n.text)}</Txt>
                <Txt size="s" tone="ink2">
                  {n.from}
                </Txt>
              </View>
            ))}
          </View>
        </View>
      ) : null}
    </JobPage>
  );
}
