import { said } from '@/words/codes';
import { addDays } from 'date-fns/addDays';
import { set } from 'date-fns/set';
import { Link, type Href } from 'expo-router';
import { Pressable, View } from 'react-native';

import { boundOf, outsideOf } from '@/core/device/beforeOpening';
import { chipFlawUm } from '@/core/lift/strength';
import { piecesDrawn } from '@/bench-kit/crackMap';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { edgeName, placeName } from '@/words/placeNames';
import { Button } from '@/ui/Button';
import { Choice, Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Mark } from '@/ui/Mark';
import { missingMark } from '@/ui/missing';
import { RingArcs } from '@/ui/plan/layers';
import { Chips, Pieces } from '@/ui/plan/pieceLayers';
import { Readings } from '@/ui/Readings';
import { TimeField } from '@/ui/TimeField';
import { Txt } from '@/ui/Txt';
import { outsideText } from '@/words/outside';
import { told } from '@/words/told';
import { area, dayTime, length, listed, span, time } from '@/words/units';
import { yesNo } from './MoreFindings';
import { PromiseSpread } from '@/bench-kit/PromiseSpread';
import { PartDue } from '@/bench-kit/PartDue';
import type { PlanSize } from '@/bench-kit/StageShell';
import { ChargeAbout } from './QuickAnswers';
import { chargeLimit } from './chargeLimit';
import type { IntakeStageState } from './useIntakeStage';
import { t } from '@/words/intake';

/** Cracks, chips and pieces on the face. */
export function IntakePicture({
  here: { job, pieces, cracked, found, settings, path },
  size,
}: {
  here: IntakeStageState;
  size: PlanSize;
}) {
  return (
    <PlainPlan
      job={job}
      size={size}
      label={
        pieces.length > 1
          ? t('pieces', { name: job.device.name, count: pieces.length })
          : t('crackedAt', {
              name: job.device.name,
              list: cracked.length ? listed(cracked.map(edgeName)) : t('noEdgeNoted'),
            })
      }
      lines={[
        ...cracked.map((e) => t('crackedAtThe', { e: edgeName(e) })),
        ...(pieces.length > 1
          ? found!.steps.map((s, i) => t('piece', { i: i + 1, areaMm2: area(s.areaMm2, settings) }))
          : []),
        ...[...job.chips.values()].map((p) => t('chipAtThe', { path: placeName(path, path.locate(p)) })),
        ...job.device.parts.filter((p) => p.removable).map((p) => p.name),
        ...job.device.cables.map((c) =>
          t('crossesToTheBackOfSlack', { name: c.name, slackMm: length(c.slackMm, settings, 0) }),
        ),
      ]}
    >
      {job.cracks.size ? null : (
        <RingArcs arcs={cracked.map((e) => ({ ...path.edgeSpan(e), state: 'dry' as const }))} />
      )}
      {found && job.cracks.size ? <Pieces pieces={piecesDrawn(found)} dangling={found.map.dangling} /> : null}
      <Chips at={[...job.chips.values()]} />
    </PlainPlan>
  );
}

/** Promise, charge and what was found, as readings. */
export function IntakeReadings({ here: { job, honest, now, promised, earliest } }: { here: IntakeStageState }) {
  return (
    <Readings
      items={[
        {
          id: 'promise',
          value: job.promiseAt ? time(job.promiseAt) : said('none'),
          label: t('promisedWord'),
          tone: job.promiseAt && honest !== null && job.promiseAt < honest ? 'caution' : 'ink',
        },
        {
          id: 'honest',
          value: honest === null ? '…' : time(honest),
          label:
            honest === null
              ? t('earliestPickUpWorkingItOut')
              : dayTime(honest, now) === time(honest)
                ? t('earliestPickUp')
                : t('earliestPickUp2', { honest: dayTime(honest, now) }),
        },
        {
          id: 'work',
          value: promised ? span(Math.max(0, promised.p50At - now) / 1e3) : '…',
          label: promised
            ? t('mostLikelyThenByAlmostSurely', { p95At: dayTime(promised.p95At, now) })
            : t('workAndGlueAloneToThe', { low: span(earliest.low), high: span(earliest.high) }),
        },
        {
          id: 'charge',
          value: job.chargePercent === null ? '–' : `${job.chargePercent} %`,
          label: t('chargeAThirdOrLessBefore'),
          tone: (job.chargePercent ?? 0) > chargeLimit.value ? 'caution' : 'ink',
        },
      ]}
    />
  );
}

/** What is asked of every device. */
export function IntakeFindings({ here: { job, find } }: { here: IntakeStageState }) {
  return (
    <>
      <Choice
        label={t('batterySwollenBentOrSmelling')}
        value={job.findings.cellSwollen?.answer ?? null}
        asked
        options={yesNo.filter((o) => o.id !== 'unsure')}
        onChange={find('cellSwollen')}
        hint={t('glassOrScreenPushedUpA')}
      />
      <Choice
        label={t('chipsAtTheEdge')}
        asked
        value={job.findings.chip?.answer ?? null}
        options={yesNo}
        onChange={find('chip')}
        hint={t('thisDecidesMoreThanAnythingWhether', { value: chipFlawUm.unsure.value })}
      />
      <Choice
        label={t('frameBentOrSplit')}
        asked
        value={job.findings.bent?.answer ?? null}
        options={yesNo}
        onChange={find('bent')}
      />
    </>
  );
}

/** The pages of the intake, and how far each is. */
export function IntakePages({ here: { pages, job, missing } }: { here: IntakeStageState }) {
  return (
    <View className="mb-4">
      <View
        role="list"
        aria-label={t('pagesOfIntake')}
        className="border-t border-rule"
        {...missingMark(job.route === null && missing.length === 1)}
      >
        {pages.map((p) => (
          <View key={p.to} role="listitem">
            <Link href={`/jobs/${job.id}/${p.to}` as Href} asChild>
              <Pressable
                aria-label={`${p.name}: ${p.line}`}
                className="min-h-line flex-row items-center gap-3 border-b border-rule"
              >
                <Mark state={p.done ? 'done' : 'waits'} />
                <View className="flex-1">
                  <Txt strong>{p.name}</Txt>
                  <Txt size="s" tone="ink2">
                    {p.line}
                  </Txt>
                </View>
                <Txt num tone="ink2">
                  ›
                </Txt>
              </Pressable>
            </Link>
          </View>
        ))}
      </View>
      <Link
        href={`/shelf/${job.model.id}/card` as Href}
        className="font-body text-m text-ink underline py-2 min-h-touch"
      >
        {t('benchCardOfIt')}
      </Link>
    </View>
  );
}

/** What is done before heat. */
export function PowerAndTray({ here: { job, log } }: { here: IntakeStageState }) {
  return (
    <>
      <ChargeAbout job={job} />
      <Tick
        asked
        label={t('powerIsOff')}
        on={job.prep.has('powerOff')}
        onChange={(v) => void log([{ type: 'prep', item: 'powerOff', done: v }])}
      />
      <Tick
        asked
        label={t('cardTrayIsOut')}
        note={t('leftInItBlocksOrBreaks')}
        on={job.prep.has('trayOut')}
        onChange={(v) => void log([{ type: 'prep', item: 'trayOut', done: v }])}
      />
      {outsideOf(job.device).length ? (
        <Tick
          asked
          label={t('outsideIsOut', { what: outsideText(job.device) })}
          note={t('outsideWhy')}
          on={job.prep.has('outerScrews')}
          onChange={(v) => void log([{ type: 'prep', item: 'outerScrews', done: v }])}
        />
      ) : null}
      {boundOf(job.device).length ? (
        <Tick
          asked
          label={t('boundMarkedTick', { list: listed(boundOf(job.device).map((p) => told(p.name))) })}
          note={t('boundWhy')}
          on={job.prep.has('boundMarked')}
          onChange={(v) => void log([{ type: 'prep', item: 'boundMarked', done: v }])}
        />
      ) : null}
    </>
  );
}

/** When it is promised, and the part that it waits for. */
export function PromiseAndPart({
  here: { job, now, log, promised, honest, decide, plan },
}: {
  here: IntakeStageState;
}) {
  return (
    <>
      <TimeField
        label={t('promisedFor')}
        value={job.promiseAt}
        onCommit={(h, m) => {
          const today = set(now, { hours: h, minutes: m, seconds: 0, milliseconds: 0 }).getTime();
          void log([{ type: 'promise', promiseAt: today < now ? addDays(today, 1).getTime() : today }]);
        }}
      />
      {promised && honest !== null && job.promiseAt !== honest ? (
        <Button
          kind="small"
          label={t('promise', { honest: dayTime(honest, now) })}
          onPress={() =>
            void log([
              { type: 'promise', promiseAt: honest },
              decide({
                call: 'promise',
                inputs: { openJobs: plan.now?.shop.jobs.size ?? 0 },
                computed: { p50At: promised.p50At, p80At: promised.p80At, p95At: promised.p95At },
                chosen: honest,
              }),
            ])
          }
        />
      ) : null}
      {promised ? <PromiseSpread promised={promised} promiseAt={job.promiseAt} now={now} /> : null}
      <Disclosure
        title={
          job.partDue?.dueAt != null ? t('partComes', { dueAt: dayTime(job.partDue.dueAt, now) }) : t('partOnOrder')
        }
      >
        <PartDue job={job} />
      </Disclosure>
    </>
  );
}
