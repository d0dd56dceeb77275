import { bondPerimeter } from '@/core/device/perimeter';
import type { EventOf } from '@/model/event';
import { tagCode } from '@/model/tagCode';
import type { JobState } from '@/model/fold';
import type { Answer } from '@/model/stages/intake';
import { useActions } from '@/bench-kit/actions';
import { useCrackMap } from '@/bench-kit/crackMap';
import { useGoOn } from '@/bench-kit/useGoOn';
import { useSettings } from '@/store/shop';
import { dayTime, price } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { frameOf } from '@/work/bond/frameOf';
import { earliestOf, hardOf } from '@/work/intake/facts';
import { intakeCall, missingAtIntake } from './intakeCall';
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
  const text = intakeCall(job, promised && { at: promised.sayAt, was: promised.wasAt }, now);
  const missing = missingAtIntake(job);
  const swollen = job.findings.cellSwollen?.answer === 'yes';
  const path = bondPerimeter(job.device, job.bond);
  const find = (kind: EventOf<'finding'>['kind']) => (a: Answer) =>
    void log([
      { type: 'finding', kind, answer: a, ...(job.findings[kind]?.note ? { note: job.findings[kind].note } : {}) },
    ]);
  const cracked = job.findings.crack?.edges ?? [];
  const toggleEdge = (edge: (typeof cracked)[number]) =>
    void log([
      {
        type: 'finding',
        kind: 'crack',
        answer: 'yes',
        edges: cracked.includes(edge) ? cracked.filter((e) => e !== edge) : [...cracked, edge],
      },
    ]);
  const ready = missing.length === 0 && !swollen;
  const frame = frameOf(job);
  const hard = hardOf(job, found?.steps ?? []);
  const next = job.stages.heat === 'skipped' ? t('goToLift') : t('goToHeat');
  const bentMaybe = ['yes', 'unsure'].includes(job.findings.bent?.answer ?? '');
  const failed = Object.values(job.functions.before).filter((r) => r === 'fail').length;
  const pages: { to: string; name: string; line: string; done: boolean }[] = [
    {
      to: 'cracks',
      name: t('crackMap'),
      line: job.cracks.size
        ? pieces.length === 1
          ? t('pieceChips', { length: pieces.length, size: job.chips.size })
          : t('piecesChips', { length: pieces.length, size: job.chips.size })
        : t('noCrackDrawn2'),
      done: job.cracks.size > 0,
    },
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
    {
      to: 'route',
      name: t('route'),
      line: job.route ? optionName(job.route) : t('notChosen'),
      done: job.route !== null,
    },
    ...(job.route?.origin
      ? [
          {
            to: 'part',
            name: t('newPart'),
            line: job.partCheck
              ? job.partCheck.right
                ? t('partIsRight')
                : t('partIsWrong')
              : job.partDue?.dueAt != null
                ? t('partComes', { dueAt: dayTime(job.partDue.dueAt, now) })
                : t('partNotChecked'),
            done: job.partCheck?.right === true,
          },
        ]
      : []),
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
    goOn,
    text,
    next,
    swollen,
    missing,
    toggleEdge,
  };
}
export type IntakeStageState = ReturnType<typeof useIntakeStage>;
