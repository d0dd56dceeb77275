import { useEffect, useRef } from 'react';

import { bondPerimeter } from '@/core/device/perimeter';
import { goTo } from '@/bench-kit/goTo';
import type { EventOf } from '@/model/event';
import { tagCode } from '@/model/tagCode';
import type { JobState } from '@/model/fold';
import type { Answer } from '@/model/stages/intake';
import { useActions } from '@/bench-kit/actions';
import { useCrackMap } from '@/bench-kit/crackMap';
import { withFace } from '@/bench-kit/withFace';
import { jointsSeen } from '@/bench-kit/jointsSeen';
import { coverKindOf } from '@/core/device/coverKinds';
import { useGoOn } from '@/bench-kit/useGoOn';
import { useSettings } from '@/store/shop';
import { crackCounts } from './crackCounts';
import { dayTime, price } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { frameOf } from '@/work/bond/frameOf';
import { earliestOf, hardOf } from '@/work/intake/facts';
import { intakeCall, missingAtIntake } from './intakeCall';
import { useUsualRoute } from './QuickAnswers';
import { useSteadyPromise } from '@/bench-kit/usePromises';
import { useShopPlan } from '@/bench-kit/useShopPlan';
import { optionName } from '@/words/optionName';
import { t } from '@/words/intake';

export const caution = () => t('crackedGlassEyeCoverGlovesTape');

function quoteLine(job: JobState): string {
  const c = job.quote?.choices.find((x) => x.id === job.quote?.chosenId);
  if (!c || !job.quote) return t('notQuoted');
  return job.signed.some((s) => s.role === 'customer')
    ? t('signed', { grossMinor: price(c.grossMinor, job.quote.currency) })
    : t('notSigned', { grossMinor: price(c.grossMinor, job.quote.currency) });
}

/** Cracks as drawn; into how many pieces where it was computed. */
const crackLine = (j: JobState, pieces: number | null): string =>
  !j.cracks.size
    ? t('noCrackDrawn2')
    : pieces === null
      ? t('cracksDrawn', { count: j.cracks.size })
      : crackCounts({ pieces, chips: j.chips.size });

const partLine = (j: JobState, now: number): string =>
  j.partCheck
    ? j.partCheck.right
      ? t('partIsRight')
      : t('partIsWrong')
    : j.partDue?.dueAt != null
      ? t('partComes', { dueAt: dayTime(j.partDue.dueAt, now) })
      : t('partNotChecked');

interface IntakePage {
  to: string;
  name: string;
  line: string;
  done: boolean;
}

/** The pages that Intake leads to, each with how it stands. */
function pagesOf(
  job: JobState,
  covers: readonly JobState[],
  frame: ReturnType<typeof frameOf>,
  pieces: number,
  now: number,
): IntakePage[] {
  const bentMaybe = ['yes', 'unsure'].includes(job.findings.bent?.answer ?? '');
  // with several covers each has its own map, route and part
  const many = covers.length > 1;
  const at = (j: JobState) => (many ? `?joint=${encodeURIComponent(j.joint)}` : '');
  return [
    ...covers
      .filter((j) => covers.length === 1 || !coverKindOf(j.face).lens)
      .map((j) => ({
        to: `cracks${at(j)}`,
        name: withFace(j, t('crackMap')),
        line: crackLine(j, j.joint === job.joint ? pieces : null),
        done: j.cracks.size > 0,
      })),
    ...(bentMaybe
      ? [
          {
            to: 'frame',
            name: t('seatOfTheFrame'),
            line: frame
              ? t('ofTheRingWillBond2', { contactShare: Math.round(frame.contactShare * 100) })
              : t('measureTheSeatHeights'),
            done: frame !== null,
          },
        ]
      : []),
    ...covers.flatMap((j) => [
      {
        to: `route${at(j)}`,
        name: withFace(j, t('route')),
        line: j.route ? optionName(j.route) : t('notChosen'),
        done: j.route !== null,
      },
      ...(j.route?.origin
        ? [
            {
              to: `part${at(j)}`,
              name: withFace(j, t('newPart')),
              line: partLine(j, now),
              done: j.partCheck?.right === true,
            },
          ]
        : []),
    ]),
    {
      to: 'quote',
      name: t('quote'),
      line: quoteLine(job),
      done: job.signed.some((s) => s.role === 'customer'),
    },
    {
      to: 'tag',
      name: t('tagAndCustomer'),
      line: job.customer?.backup
        ? t('backup', { id: tagCode(job.id), backup: job.customer.backup })
        : t('backupNotAsked', { id: tagCode(job.id) }),
      done: job.prep.has('tagDevice') && job.prep.has('tagTray'),
    },
  ];
}

/** How it stands: what IntakeStage shows and does. */
export function useIntakeStage({ job }: { job: JobState }) {
  const settings = useSettings();
  const now = useNow(5000);
  const { log, decide } = useActions(job);
  const goOn = useGoOn(job, 'intake');
  const { answer } = useCrackMap(job);
  const found = answer && !('problem' in answer) ? answer : null;
  const pieces = found?.map.pieces ?? [];
  const earliest = earliestOf(job, settings, now, Math.max(1, pieces.length));
  const plan = useShopPlan();
  const promised = useSteadyPromise(plan, job);
  const honest = promised?.sayAt ?? null;
  const covers = jointsSeen(job);
  const asked = intakeCall(job, promised && { at: promised.sayAt, was: promised.wasAt }, now, covers);
  const missing = missingAtIntake(job, covers);
  const swollen = job.findings.cellSwollen?.answer === 'yes';
  const path = bondPerimeter(job.device, job.bond);
  const find = (kind: EventOf<'finding'>['kind']) => (a: Answer) =>
    void log([
      { type: 'finding', kind, answer: a, ...(job.findings[kind]?.note ? { note: job.findings[kind].note } : {}) },
    ]);
  const cracked = job.findings.crack?.edges ?? [];
  const ready = missing.length === 0 && !swollen;
  const usual = useUsualRoute(job);
  // with nothing but the repair open, the button takes the usual one and goes on: which way, is known once it is taken
  const going = useRef(false);
  const onlyRepair = usual !== null && missing.length === 1;
  // the button takes what the call names
  const text =
    onlyRepair && asked.tone === 'ink'
      ? {
          ...asked,
          sentence: t('usuallyThis', { what: usual.name, price: price(usual.priceMinor, settings.money.currency) }),
        }
      : asked;
  const main = ready
    ? () => goOn()
    : onlyRepair && !swollen
      ? () => {
          usual.take();
          going.current = true;
        }
      : undefined;
  useEffect(() => {
    if (!going.current || !ready) return;
    going.current = false;
    goOn();
  }, [ready, goOn]);
  const frame = frameOf(job);
  const hard = hardOf(job, found?.steps ?? []);
  const next = goTo(job, 'intake');
  const failed = Object.values(job.functions.before).filter((r) => r === 'fail').length;
  const pages = pagesOf(job, covers, frame, pieces.length, now);
  return {
    job,
    earliest,
    promised,
    now,
    settings,
    failed,
    log,
    hard,
    honest,
    decide,
    plan,
    pages,
    find,
    pieces,
    cracked,
    found,
    path,
    ready,
    usual,
    main,
    text,
    next,
    swollen,
    missing,
  };
}
export type IntakeStageState = ReturnType<typeof useIntakeStage>;
