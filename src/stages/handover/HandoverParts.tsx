import { Link, type Href } from 'expo-router';
import { View } from 'react-native';

import { markOf } from '@/core/cure/laws';
import { exportJob } from '@/bench-kit/exportJob';
import { SignBox } from '@/bench-kit/SignBox';
import { rowOf, Why } from '@/bench-kit/Why';
import { Button, HoldButton } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { Readings } from '@/ui/Readings';
import { Txt } from '@/ui/Txt';
import { Signature } from '@/ui/SignPad';
import { dayTime, span, time } from '@/words/units';
import { SheetPlanView } from './SheetPlanView';
import { receivedText } from './useHandoverStage';
import type { HandoverStageState } from './useHandoverStage';

/** Promise, price and what is open. */
export function HandoverReadings({ here: { job, now, closed, fullAt } }: { here: HandoverStageState }) {
  return (
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
  );
}

/** Held until it is handed over. */
export function HandoverMain({ here: { closed, handOver, can, open } }: { here: HandoverStageState }) {
  return closed ? (
    <Button kind="main" label="Handed over" onPress={() => {}} disabled />
  ) : (
    <HoldButton
      label="Handed over"
      onPress={handOver}
      disabled={!can}
      {...(can ? {} : { why: open[0] ?? 'cure not far enough' })}
    />
  );
}

/** The customer's sheet. */
export function Sheet({ here: { doc, sections, received } }: { here: HandoverStageState }) {
  return (
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
  );
}

/** Printed, kept, signed. */
export function SheetActions({ here: { job, closed, sections } }: { here: HandoverStageState }) {
  return (
    <>
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
    </>
  );
}

/** Why it can or cannot go. */
export function HandoverWhy({ here: { job, open, readyAt, can, cure, mark } }: { here: HandoverStageState }) {
  return (
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
  );
}
