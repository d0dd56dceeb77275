import { View } from 'react-native';

import { markOf } from '@/core/cure/laws';
import type { JobState } from '@/model/fold';
import { cureEnd, cureOf } from '@/stagekit/cureJob';
import { exportJob } from '@/stagekit/exportJob';
import { useActions } from '@/stagekit/actions';
import { PlainPlan } from '@/stagekit/PlainPlan';
import { StageShell } from '@/stagekit/StageShell';
import { rowOf, Why } from '@/stagekit/Why';
import { useSettings } from '@/store/shop';
import { Button, HoldButton } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { RingArcs } from '@/ui/plan/layers';
import { Readings } from '@/ui/Readings';
import { Txt } from '@/ui/Txt';
import { clock, dayTime, span, time } from '@/ui/units';
import { useNow } from '@/ui/useNow';
import { bondPerimeter } from '@/core/device/perimeter';
import { openPoints, sheetOf } from './sheet';

const caution = 'Old cells and solvent wipes go to their own collection, never into the bin.';

export function HandoverStage({ job }: { job: JobState }) {
  const settings = useSettings();
  const now = useNow(5000);
  const { log } = useActions(job);
  const sections = sheetOf(job, settings, now);
  const open = openPoints(job);
  const overridden = job.decisions.some((d) => d.call === 'handover' && d.because);
  const cure = cureOf(job, settings, now);
  const mark = markOf(cure.kind, 'handOver');
  const readyAt = cureEnd(cure, 'handOver');
  const sealAt = cureEnd(cure, 'sealTest');
  const fullAt = cureEnd(cure, 'full');
  const early = readyAt !== null && readyAt > now;
  const closed = job.closedAt !== null;
  const can = !closed && ((open.length === 0 && !early) || overridden);
  const path = bondPerimeter(job.device, job.bond);
  const text = closed
    ? {
        sentence: `Handed over ${dayTime(job.closedAt!, now)}.`,
        reason: 'The log stays; export it with the job.',
        tone: 'ink' as const,
      }
    : open.length
      ? {
          sentence: `Not yet: ${open[0]}.`,
          reason: open.length > 1 ? `Also ${open.slice(1).join(', ')}.` : 'One open point before it leaves.',
          tone: 'caution' as const,
        }
      : early
        ? {
            sentence: `Ready in ${clock((readyAt - now) / 1e3)}, at ${dayTime(readyAt, now)}.`,
            reason: {
              tape: `The tape needs ${Math.round(mark.value * 100)} % of its bond, on the long end.`,
              solvent: `${Math.round((1 - mark.value) * 100)} % of the solvent has to leave, on the long end.`,
              moisture: 'The sealant has to cure through, on the long end.',
            }[cure.kind],
            tone: 'ink' as const,
          }
        : {
            sentence: 'It may go.',
            reason: `Read the sheet to the customer: not pressed or warmed before ${sealAt === null ? 'the bond is full' : dayTime(sealAt, now)}.`,
            tone: 'ink' as const,
          };
  const handOver = () =>
    void log([
      {
        type: 'signed',
        role: 'repairer',
        text: sections.map((s) => `${s.title}: ${s.lines.join(' ')}`).join('\n'),
        mark: settings.person,
      },
      { type: 'stage', stage: 'handover', to: 'done' },
    ]);
  return (
    <StageShell
      job={job}
      stage="handover"
      now={now}
      caution={caution}
      picture={(size) => (
        <PlainPlan job={job} size={size} label={`${job.device.name}, closed`} lines={[job.device.name]}>
          <RingArcs arcs={[{ fromMm: 0, toMm: path.lengthMm, state: 'free' }]} />
        </PlainPlan>
      )}
      call={<Call {...text} />}
      readings={
        <Readings
          items={[
            {
              id: 'promise',
              value: job.promiseAt ? time(job.promiseAt) : 'none',
              label: job.promiseAt
                ? job.promiseAt >= now || closed
                  ? `promised, ${span((job.promiseAt - (job.closedAt ?? now)) / 1e3)} to spare`
                  : 'promised, late'
                : 'promised',
              tone: job.promiseAt && job.promiseAt < (job.closedAt ?? now) ? 'caution' : 'ink',
            },
            {
              id: 'full',
              value: fullAt === null ? '–' : dayTime(fullAt, now).replace(/ \d\d:\d\d$/, ''),
              label: 'full bond by, long end',
            },
          ]}
        />
      }
      main={
        closed ? (
          <Button kind="main" label="Handed over" onPress={() => {}} disabled />
        ) : (
          <HoldButton
            label="Handed over"
            onPress={handOver}
            disabled={!can}
            {...(can ? {} : { why: open[0] ?? 'cure not far enough' })}
          />
        )
      }
      side={<Button label="Print" onPress={() => window.print()} />}
    >
      <View className="sheet bg-panel border-[1.5px] border-ink p-4 mt-3" testID="sheet">
        <Txt strong size="l" level={2}>
          {job.label} · {job.device.name}
        </Txt>
        <Txt size="s" tone="ink2">
          {job.customerMark ? `${job.customerMark} · ` : ''}
          {dayTime(now, 0)}
        </Txt>
        {sections.map((s) => (
          <View key={s.title} className="mt-3">
            <Txt strong level={3}>
              {s.title}
            </Txt>
            {s.lines.map((l) => (
              <Txt key={l}>{l}</Txt>
            ))}
          </View>
        ))}
        <Txt size="s" tone="ink2" className="mt-4">
          Received: ______________________
        </Txt>
      </View>
      <View className="mt-3">
        <Button label="Export the job" onPress={() => void exportJob(job)} />
      </View>
      <Why
        job={job}
        call="handover"
        inputs={{ open, readyAt }}
        computed={{ can }}
        notes={open.length ? [`Open: ${open.join(', ')}.`] : ['No open point.']}
        rows={[
          rowOf(cure.kind === 'solvent' ? 'Solvent left at hand-over' : 'Share of the bond at hand-over', mark, ''),
          rowOf(
            cure.kind === 'solvent' ? 'Solvent left in a full bond' : 'Share of the full bond',
            markOf(cure.kind, 'full'),
            '',
          ),
        ]}
      />
    </StageShell>
  );
}
