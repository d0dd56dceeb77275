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

const wayWords = { move: 'move over', renew: 'renew', peel: 'peel off' } as const;

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
      caution={stripCaution}
      onMain={next ? () => done(next.id, next.way) : () => onPhase('back')}
      picture={(size) => <ShellPair job={job} work={work} size={size} next={next?.id ?? null} />}
      call={
        <Call
          sentence={next ? `${capital(next.name)}: ${wayWords[next.way]}.` : 'Every small piece is dealt with.'}
          reason={
            next
              ? `${capital(moveHints[next.kind] ?? 'Same place, same side')}.`
              : `${parts.length} parts go in with the screws: back in, the reverse of the way out.`
          }
        />
      }
      readings={
        <Readings
          items={[
            {
              id: 'small',
              value: `${small.length - left.length} / ${small.length}`,
              label: `small pieces; ${small.filter((t) => t.way === 'renew').length} to renew`,
              tone: left.length ? 'ink' : 'go',
            },
            {
              id: 'parts',
              value: `${parts.filter((t) => transferred(job, t)).length} / ${parts.length}`,
              label: 'parts in the new shell',
            },
          ]}
        />
      }
      main={
        next ? (
          <Button
            kind="main"
            label={`${capital(next.name)} is ${next.way === 'renew' ? 'new' : next.way === 'peel' ? 'off' : 'over'}`}
            onPress={() => done(next.id, next.way)}
          />
        ) : (
          <Button kind="main" label="Now back in" onPress={() => onPhase('back')} />
        )
      }
    >
      {tabs}
      <View role="list" aria-label="What moves over" className="mt-1">
        {small.map((t) => (
          <View role="listitem" key={t.id}>
            <Tick
              label={`${capital(t.name)}: ${wayWords[t.way]}${t.qty > 1 ? `, ${t.qty}` : ''}`}
              on={transferred(job, t)}
              {...(moveHints[t.kind] ? { note: moveHints[t.kind]! } : {})}
              onChange={(v) => (v ? done(t.id, t.way) : void log([{ type: 'stripped', itemId: t.id, to: 'asItWas' }]))}
            />
          </View>
        ))}
      </View>
      {parts.length ? (
        <Txt size="s" className="mt-2">
          Parts, with the screws: {parts.map((t) => t.name).join(', ')}. A part that the new shell comes with is ticked
          here:
        </Txt>
      ) : null}
      {job.device.parts
        .filter((p) => work.items.get(p.id)?.kind === 'part')
        .map((p) => (
          <Tick
            key={p.id}
            label={`${capital(p.name)} is on the new shell already`}
            on={job.parts[p.id] === 'onNew'}
            onChange={(v) => void log([{ type: 'partState', partId: p.id, to: v ? 'onNew' : 'out' }])}
          />
        ))}
      <Disclosure title="Photos: how lines cross, where tapes lie">
        <PhotosSection job={job} />
      </Disclosure>
      <StripLinks job={job} />
      <Why
        job={job}
        call="move"
        inputs={{ partHas: job.route?.partHas ?? [] }}
        computed={{ list: work.transfer }}
        notes={['Old less what the new shell comes with; single-use pieces are renewed, films peeled off the new one.']}
        rows={[rowOf('What gets forgotten', forgotten, '')]}
      />
    </StageShell>
  );
}
