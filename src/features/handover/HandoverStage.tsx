import { View } from 'react-native';

import { tapeClocks, tapeMarks } from '@/core/cure/tapeDwell';
import type { JobState } from '@/model/fold';
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
  const start = job.clampOn?.at ?? job.bonded?.at ?? null;
  const clocks = tapeClocks(job.ambientC ?? settings.roomC);
  const readyAt = start === null ? null : start + clocks.handOver.high * 1e3;
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
            sentence: `Ready in ${clock((readyAt - now) / 1e3)}, at ${time(readyAt)}.`,
            reason: `The tape needs ${Math.round(tapeMarks.handOver.value * 100)} % of its bond, on the long end.`,
            tone: 'ink' as const,
          }
        : {
            sentence: 'It may go.',
            reason: `Read the sheet to the customer: not pressed or warmed before ${start === null ? 'the bond is full' : dayTime(start + clocks.sealTest.high * 1e3, now)}.`,
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
              value: start === null ? '–' : dayTime(start + clocks.full.high * 1e3, now).replace(/ \d\d:\d\d$/, ''),
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
          rowOf('Share of the bond at hand-over', tapeMarks.handOver, ''),
          rowOf('Share of the full bond', tapeMarks.full, ''),
        ]}
      />
    </StageShell>
  );
}
