import { bondingMethodNames } from '@/words/eventLine';
import type { JobState } from '@/model/fold';
import { onPlate } from '@/model/stages/heat';
import type { Settings } from '@/model/settings';
import { capital } from '@/words/capital';
import { clock, listed } from '@/words/units';
import { failsOpen, testsBeforeClosing } from '@/work/check/beforeClosing';
import { beadText, oldRingText, onPartText, ringText, tapeFirst, tapeText } from './bondCall';
import { isLiquid, type Joint } from './useJoint';
import { t } from '@/words/bond';
import { functionName } from '@/words/functions';

/** What is said of a joint now, what stands in the way of its next step, and what a late closing still lacks. */
export function jointCall(job: JobState, jobs: readonly JobState[], settings: Settings, joint: Joint) {
  const { now, work, school, lays, mixed, strips, liquid, bead, problem, phase, window, screwStop } = joint;
  const hot = jobs.find((j) => j.closedAt === null && onPlate(j));
  const heatStop =
    hot && liquid?.cure === 'solvent' && isLiquid(school)
      ? t('isOnAHeaterSolventVapour', { id: hot.id === job.id ? t('thisJob') : hot.label })
      : null;
  const cell = job.cellChoice;
  const cellStop =
    cell?.fit !== 'new' && (job.findings.cellSwollen?.answer === 'yes' || cell?.bent || cell?.punctured)
      ? t('nothingIsClosedOverASwollen')
      : null;
  const closeStop = cellStop ?? screwStop;
  const lacksTick = !job.prep.has('blownClosing')
    ? t('blowTheLensesOffFirst')
    : !job.prep.has('photoClosing')
      ? t('photoFirstOrSayNone')
      : !job.prep.has('closedTest') && testsBeforeClosing(job).length
        ? t('testBeforeItIsClosed')
        : null;
  const failing = job.prep.has('closedTest') ? [] : failsOpen(job).map(functionName);
  const text = job.bonded
    ? {
        sentence: t('closedWith', { adhesive: bondingMethodNames[job.bonded.adhesive] }),
        reason: t('theClocksRunOnCure'),
        tone: 'ink' as const,
      }
    : (phase === 'plan' || phase === 'tape') && (cellStop ?? (phase === 'plan' ? heatStop : null))
      ? {
          sentence: cellStop ? t('notOverThisBattery') : t('heatOffFirst'),
          reason: `${capital((cellStop ?? heatStop)!)}.`,
          tone: 'caution' as const,
        }
      : failing.length && (phase === 'plan' || phase === 'tape')
        ? {
            sentence: capital(t('failsLookBeforeClosing', { list: listed(failing) })),
            reason: t('theConnectorTouchedNearest'),
            tone: 'caution' as const,
          }
        : phase === 'tape'
          ? {
              strips: () => tapeText(strips, settings),
              ring: () => ringText(work),
              onPart: () => onPartText(),
              oldRing: () => oldRingText(job),
            }[lays ?? 'strips']()
          : mixed && phase === 'plan' && bead
            ? tapeFirst(beadText(job, bead, problem, now, settings), lays, strips)
            : beadText(job, bead, mixed && !work.beadOn.length ? t('sayWhereTheBeadGoes') : problem, now, settings);

  const lacksStock =
    lays === 'ring' && work.rings < 1
      ? t('noRingInStock')
      : lays === 'strips' && (!strips || strips.cuts.lacking.length)
        ? t('notEnoughTape')
        : null;
  const lacksGlue = !bead
    ? t('notPossibleLikeThis')
    : bead.expired
      ? t('pastItsDate')
      : bead.ml > bead.leftMl
        ? t('notEnoughInTheTube')
        : null;
  const tooEarly = window && now < window.fromAt ? t('inLeft', { left: clock((window.fromAt - now) / 1e3) }) : null;
  const stop = {
    closed: null,
    tape: closeStop ?? lacksStock ?? lacksTick,
    plan: closeStop ?? heatStop ?? (mixed ? lacksStock : null) ?? lacksGlue,
    laying: null,
    open: cellStop ?? tooEarly ?? lacksTick,
  }[phase];
  return { text, stop, lacksTick };
}
