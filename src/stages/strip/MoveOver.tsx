import { listed } from '@/words/units';
import type { ReactNode } from 'react';
import { View } from 'react-native';

import { forgotten } from '@/core/strip/transfer';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { PhotosSection } from '@/bench-kit/PhotosSection';
import { StageShell } from '@/bench-kit/StageShell';
import { transferred, type StripWork } from '@/work/strip/stripJob';
import { rowOf, Why } from '@/bench-kit/Why';
import { capital } from '@/words/capital';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Readings } from '@/ui/Readings';
import { Txt } from '@/ui/Txt';
import { useNow } from '@/bench-kit/useNow';
import { ShellPair } from './ShellPair';
import type { StripPhase } from './StripStage';
import { StripLinks } from './StripLinks';
import { stripCaution } from './TakeOut';
import { moveHints } from './words';
import { t as tr } from '@/words/strip';
import { told } from '@/words/told';

const wayWords = {
  get move() {
    return tr('moveOver');
  },
  renew: 'renew',
  get peel() {
    return tr('peelOff');
  },
} as const;

/** Old and new shell side by side, and everything that has to be on the new one. */
export function MoveOver({
  job,
  work,
  tabs,
  onPhase,
}: {
  job: JobState;
  work: StripWork;
  tabs: ReactNode;
  onPhase: (p: StripPhase) => void;
}) {
  const now = useNow(10_000);
  const { log } = useActions(job);
  const small = work.transfer.filter((t) => t.kind !== 'part');
  const parts = work.transfer.filter((t) => t.kind === 'part');
  const left = small.filter((t) => !transferred(job, t));
  const next = left[0] ?? null;
  const done = (id: string, way: 'move' | 'renew' | 'peel') =>
    void log([
      { type: 'stripped', itemId: id, to: ({ move: 'moved', renew: 'renewed', peel: 'peeled' } as const)[way] },
    ]);
  return (
    <StageShell
      job={job}
      stage="strip"
      now={now}
      caution={stripCaution()}
      picture={(size) => <ShellPair job={job} work={work} size={size} next={next?.id ?? null} />}
      call={
        <Call
          sentence={next ? `${capital(told(next.name))}: ${wayWords[next.way]}.` : tr('everySmallPieceIsDone')}
          reason={
            next
              ? `${capital(moveHints[next.kind] ?? tr('samePlaceSameSide'))}.`
              : tr('partsGoInWithTheScrews', { count: parts.length })
          }
        />
      }
      readings={
        <Readings
          items={[
            {
              id: 'small',
              value: `${small.length - left.length} / ${small.length}`,
              label: tr('smallPiecesToRenew', { n: small.filter((t) => t.way === 'renew').length }),
              tone: left.length ? 'ink' : 'go',
            },
            {
              id: 'parts',
              value: `${parts.filter((t) => transferred(job, t)).length} / ${parts.length}`,
              label: tr('partsInTheNewHousing'),
            },
          ]}
        />
      }
      main={
        next ? (
          <Button
            kind="main"
            label={
              next.way === 'renew'
                ? tr('isNew', { name: capital(told(next.name)) })
                : next.way === 'peel'
                  ? tr('isOff', { name: capital(told(next.name)) })
                  : tr('isOver', { name: capital(told(next.name)) })
            }
            onPress={() => done(next.id, next.way)}
          />
        ) : (
          <Button kind="main" label={tr('nowBackIn')} onPress={() => onPhase('back')} />
        )
      }
    >
      {tabs}
      <View role="list" aria-label={tr('whatMovesOver')} className="mt-1">
        {small.map((t) => (
          <View role="listitem" key={t.id}>
            <Tick
              label={`${capital(told(t.name))}: ${wayWords[t.way]}${t.qty > 1 ? `, ${t.qty}` : ''}`}
              on={transferred(job, t)}
              {...(moveHints[t.kind] ? { note: moveHints[t.kind]! } : {})}
              onChange={(v) => (v ? done(t.id, t.way) : void log([{ type: 'stripped', itemId: t.id, to: 'asItWas' }]))}
            />
          </View>
        ))}
      </View>
      {parts.length ? (
        <Txt size="s" className="mt-2">
          {tr('partsWithTheScrewsTickHere', { list: listed(parts.map((t) => told(t.name))) })}
        </Txt>
      ) : null}
      {job.device.parts
        .filter((p) => work.items.get(p.id)?.kind === 'part')
        .map((p) => (
          <Tick
            key={p.id}
            label={tr('isOnTheNewHousingAlready', { name: capital(p.name) })}
            on={job.parts[p.id] === 'onNew'}
            onChange={(v) => void log([{ type: 'partState', partId: p.id, to: v ? 'onNew' : 'out' }])}
          />
        ))}
      <Disclosure title={tr('photosHowCablesCrossWhereTapes')}>
        <PhotosSection job={job} />
      </Disclosure>
      <StripLinks job={job} />
      <Why
        job={job}
        call="move"
        inputs={{ partHas: job.route?.partHas ?? [] }}
        computed={{ list: work.transfer }}
        notes={[tr('whatTheOldOneHasAnd')]}
        rows={[rowOf(tr('whatGetsForgotten'), forgotten, '')]}
      />
    </StageShell>
  );
}
