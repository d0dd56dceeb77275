import { said } from '@/words/codes';
import { Link, type Href } from 'expo-router';
import { View } from 'react-native';

import { markOf } from '@/core/cure/laws';
import { useActions } from '@/bench-kit/actions';
import { exportJob } from '@/bench-kit/exportJob';
import { CustomerLanguage, langOf } from '@/bench-kit/CustomerLanguage';
import { Paper } from '@/bench-kit/Paper';
import { SignBox } from '@/bench-kit/SignBox';
import { StoredPhoto } from '@/bench-kit/StoredPhoto';
import { beforeAfter } from '@/work/records/beforeAfter';
import { rowOf, Why } from '@/bench-kit/Why';
import { Button, HoldButton } from '@/ui/Button';
import { Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Readings } from '@/ui/Readings';
import { Txt } from '@/ui/Txt';
import { Signature } from '@/ui/SignPad';
import { outsideText } from '@/words/outside';
import { listed, dayTime, span, time } from '@/words/units';
import { SheetPlanView } from './SheetPlanView';
import { UntilBarView } from './UntilBarView';
import { settledPrice } from './sheet';
import { receivedText } from './useHandoverStage';
import type { HandoverStageState } from './useHandoverStage';
import { t } from '@/words/handover';
import { speaking } from '@/words/language';

/** Promise, price and what is open. */
export function HandoverReadings({ here: { job, now, closed, fullAt } }: { here: HandoverStageState }) {
  return (
    <Readings
      items={[
        {
          id: 'promise',
          value: job.promiseAt ? time(job.promiseAt) : said('none'),
          label: job.promiseAt
            ? job.promiseAt >= now || closed
              ? t('promisedToSpare', { promiseAt: span((job.promiseAt - (job.closedAt ?? now)) / 1e3) })
              : t('promisedLate')
            : t('promised'),
          tone: job.promiseAt && job.promiseAt < (job.closedAt ?? now) ? 'caution' : 'ink',
        },
        {
          id: 'full',
          value: fullAt === null ? '–' : dayTime(fullAt, now).replace(/ \d\d:\d\d$/, ''),
          label: t('fullBondByAtTheLatest'),
        },
      ]}
    />
  );
}

/** Held until it is handed over. */
export function HandoverMain({ here: { closed, handOver, can, open } }: { here: HandoverStageState }) {
  return closed ? (
    <Button kind="main" label={t('handedOver')} onPress={() => {}} disabled />
  ) : (
    <HoldButton
      label={t('handedOver')}
      onPress={handOver}
      disabled={!can}
      {...(can ? {} : { why: open[0] ?? t('notCuredFarEnough') })}
    />
  );
}

/** What came out from outside goes back in before the customer has it. */
export function OutsideBack({ here: { job, closed } }: { here: HandoverStageState }) {
  const { log } = useActions(job);
  return job.prep.has('outerScrews') && !closed ? (
    <Tick
      asked
      label={t('outsideBack', { what: outsideText(job.device) })}
      on={job.prep.has('outerBack')}
      onChange={(done) => void log([{ type: 'prep', item: 'outerBack', done }])}
    />
  ) : null;
}

/** Money that changed hands stands on the sheet; what did not is still to come. */
export function PaidTick({ here: { job, closed } }: { here: HandoverStageState }) {
  const { log } = useActions(job);
  const settled = settledPrice(job);
  return settled && !closed ? (
    <Tick
      label={t('paidWord', { price: settled.text })}
      on={job.prep.has('paid')}
      onChange={(done) => void log([{ type: 'prep', item: 'paid', done }])}
    />
  ) : null;
}

/** The customer's sheet. */
export function Sheet({ here: { job, doc, sections, received, tongue } }: { here: HandoverStageState }) {
  const pair = beforeAfter(job);
  return speaking(tongue, () => (
    <Paper testID="sheet" title={doc.title} sub={doc.sub} device={null} lang={langOf(tongue)}>
      <View className="flex-row flex-wrap gap-4 mt-2">
        {doc.plans.map((p) => (
          <SheetPlanView key={p.title} plan={p} width={150} />
        ))}
      </View>
      {pair ? (
        <View className="flex-row flex-wrap gap-4 mt-3" testID="beforeAfter">
          {(
            [
              [pair.before, t('photoBefore')],
              [pair.after, t('photoAfter')],
            ] as const
          ).map(([photo, name]) => (
            <View key={photo.photoId}>
              <StoredPhoto id={photo.photoId} label={name} sizePx={150} />
              <Txt size="s">{name}</Txt>
            </View>
          ))}
        </View>
      ) : null}
      {sections.map((s) => (
        <View key={s.title} className="mt-3">
          <Txt strong level={3}>
            {s.title}
          </Txt>
          {s.until && doc.until ? <UntilBarView bar={doc.until} /> : null}
          {s.lines.map((l) => (
            <Txt key={l}>{l}</Txt>
          ))}
        </View>
      ))}
      {received ? (
        <View className="mt-3">
          {received.drawing ? <Signature path={received.drawing} /> : null}
          <Txt size="s">{t('received', { mark: received.mark })}</Txt>
        </View>
      ) : (
        <Txt size="s" tone="ink2" className="mt-4">
          {t('received2')}
        </Txt>
      )}
    </Paper>
  ));
}

/** Printed, kept, signed. */
export function SheetActions({ here: { job, closed, sections, tongue } }: { here: HandoverStageState }) {
  return (
    <>
      <CustomerLanguage job={job} />
      <View className="mt-3 gap-2">
        <Button kind="small" label={t('printTheSheet')} onPress={() => window.print()} />
        <Button kind="small" label={t('exportTheJob')} onPress={() => void exportJob(job)} />
        <Link href={`/jobs/${job.id}/record` as Href} className="font-body text-m text-ink underline py-2">
          {t('internalRecordOfThisJob')}
        </Link>
      </View>
      {closed ? null : (
        <Disclosure title={t('theCustomerSignsForIt')}>
          <SignBox
            job={job}
            title={t('receivedAndTheSheetRead')}
            signedFor="received"
            texts={[`${speaking(tongue, receivedText)} ${job.label}.`, ...sections.flatMap((s) => s.lines)]}
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
      notes={open.length ? [t('open', { list: listed(open) })] : [t('nothingOpen')]}
      rows={[
        rowOf(cure.kind === 'solvent' ? t('solventLeftAtHandOver') : t('shareOfTheBondAtHand'), mark, ''),
        rowOf(
          cure.kind === 'solvent' ? t('solventLeftInAFullBond') : t('shareOfTheFullBond'),
          markOf(cure.kind, 'full'),
          '',
        ),
      ]}
    />
  );
}
