import { Link, type Href } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import { markOf } from '@/core/cure/laws';
import type { JobState } from '@/model/fold';
import { cureEnd, cureOf } from '@/work/cure/cureJob';
import { exportJob } from '@/bench-kit/exportJob';
import { useActions } from '@/bench-kit/actions';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { SignBox } from '@/bench-kit/SignBox';
import { StageShell } from '@/bench-kit/StageShell';
import { rowOf, Why } from '@/bench-kit/Why';
import { useSettings } from '@/store/shop';
import { Button, HoldButton } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Disclosure } from '@/ui/Disclosure';
import { download } from '@/ui/download';
import { RingArcs } from '@/ui/plan/layers';
import { Readings } from '@/ui/Readings';
import { Txt } from '@/ui/Txt';
import { Signature } from '@/ui/SignPad';
import { clock, dayTime, length, span, stamp, time } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { bondPerimeter } from '@/core/device/perimeter';
import { makeSheet } from './makeSheet';
import { openPoints, sheetOf } from './sheet';
import { sheetPlans } from './sheetPlans';
import { SheetPlanView } from './SheetPlanView';

const caution = 'Old cells and solvent wipes go to their own collection, never into the bin.';

/** First words of what a customer signs on taking the device back. */
const receivedText = 'Received';

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
              tape: `The tape needs ${Math.round(mark.value * 100)} % of its bond.`,
              solvent: `${Math.round((1 - mark.value) * 100)} % of the solvent has to leave.`,
              moisture: 'The sealant has to cure through.',
            }[cure.kind],
            tone: 'ink' as const,
          }
        : {
            sentence: 'It may go.',
            reason: `Read the sheet to the customer: not pressed or warmed before ${sealAt === null ? 'the bond is full' : dayTime(sealAt, now)}.`,
            tone: 'ink' as const,
          };
  const [problem, setProblem] = useState<string | null>(null);
  const received = job.signed.findLast((s) => s.role === 'customer' && s.text.startsWith(receivedText)) ?? null;
  const doc = {
    title: `${job.label} · ${job.device.name}`,
    sub: `${job.customerMark ? `${job.customerMark} · ` : ''}${stamp(job.closedAt ?? now)}`,
    sections,
    plans: sheetPlans(job, (mm) => length(mm, settings, 2).replace(/ .*/, '')),
    signature: received ? { path: received.drawing ?? '', name: received.mark } : null,
  };
  const savePdf = async () => {
    try {
      setProblem(null);
      download(`${job.label.toLowerCase()}-sheet.pdf`, await makeSheet(doc), 'application/pdf');
    } catch (e) {
      setProblem(e instanceof Error ? `${e.message}. Print the sheet instead.` : 'no PDF');
    }
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
              label: 'full bond by, at the latest',
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
      side={<Button label="Sheet as PDF" onPress={() => void savePdf()} />}
    >
      {problem ? (
        <View role="alert">
          <Txt tone="caution">{problem}</Txt>
        </View>
      ) : null}
      <View className="sheet bg-panel border-[1.5px] border-ink p-4 mt-3" testID="sheet">
        <Txt strong size="l" level={2}>
          {doc.title}
        </Txt>
        <Txt size="s" tone="ink2">
          {doc.sub}
        </Txt>
        <View className="flex-row flex-wrap gap-4 mt-2">
          {doc.plans.map((p) => (
            <SheetPlanView key={p.title} plan={p} width={150} />
          ))}
        </View>
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
        {received ? (
          <View className="mt-3">
            {received.drawing ? <Signature path={received.drawing} /> : null}
            <Txt size="s">Received: {received.mark}</Txt>
          </View>
        ) : (
          <Txt size="s" tone="ink2" className="mt-4">
            Received: ______________________
          </Txt>
        )}
      </View>
      <View className="mt-3 gap-2">
        <Button kind="small" label="Print the sheet" onPress={() => window.print()} />
        <Button kind="small" label="Export the job" onPress={() => void exportJob(job)} />
        <Link href={`/jobs/${job.id}/record` as Href} className="font-body text-m text-ink underline py-2">
          Internal record of this job
        </Link>
      </View>
      {closed ? null : (
        <Disclosure title="The customer signs for it">
          <SignBox
            job={job}
            title="Received, and the sheet read"
            texts={[`${receivedText} ${job.label}.`, ...sections.flatMap((s) => s.lines)]}
            enabled
          />
        </Disclosure>
      )}
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
