import { bondingMethodNames } from '@/model/eventLine';
import type { JobState } from '@/model/fold';
import { onPlate } from '@/model/stages/heat';
import type { Settings } from '@/model/settings';
import { capital } from '@/words/capital';
import { clock } from '@/words/units';
import { beadText, ringText, tapeText } from './bondCall';
import { isLiquid, type Joint } from './useJoint';

/** What is said of a joint now, what stands in the way of its next step, and what a late closing still lacks. */
export function jointCall(job: JobState, jobs: readonly JobState[], settings: Settings, joint: Joint) {
  const { now, work, school, liquid, bead, problem, phase, window, screwStop } = joint;
  const hot = jobs.find((j) => j.closedAt === null && onPlate(j));
  const heatStop =
    hot && liquid?.cure === 'solvent' && isLiquid(school)
      ? `${hot.id === job.id ? 'this job' : hot.label} is on a heater: solvent vapour burns`
      : null;
  const cell = job.cellChoice;
  const cellStop =
    cell?.fit !== 'new' && (job.findings.cellSwollen?.answer === 'yes' || cell?.bent || cell?.punctured)
      ? 'nothing is closed over a cell that is swollen, bent or punctured'
      : null;
  const closeStop = cellStop ?? screwStop;
  const lacksTick = !job.prep.has('blownClosing')
    ? 'blow over the lenses first'
    : !job.prep.has('photoClosing')
      ? 'photo first, or say none'
      : null;
  const text = job.bonded
    ? {
        sentence: `Closed with ${bondingMethodNames[job.bonded.adhesive]}.`,
        reason: 'The clocks run on Cure.',
        tone: 'ink' as const,
      }
    : (phase === 'plan' || phase === 'tape') && (cellStop ?? (phase === 'plan' ? heatStop : null))
      ? {
          sentence: cellStop ? 'Not over this cell.' : 'Heat off first.',
          reason: `${capital((cellStop ?? heatStop)!)}.`,
          tone: 'caution' as const,
        }
      : school === 'cutTape'
        ? tapeText(work.tape, settings)
        : school === 'precutRing'
          ? ringText(work)
          : beadText(job, bead, problem, now, settings);

  const lacksStock =
    school === 'precutRing' && work.rings < 1
      ? 'no ring in stock'
      : school === 'cutTape' && (!work.tape || work.tape.cuts.lacking.length)
        ? 'not enough tape'
        : null;
  const lacksGlue = !bead
    ? 'not possible like this'
    : bead.expired
      ? 'over its date'
      : bead.ml > bead.leftMl
        ? 'not enough in the tube'
        : null;
  const tooEarly = window && now < window.fromAt ? `in ${clock((window.fromAt - now) / 1e3)}` : null;
  const stop = {
    closed: null,
    tape: closeStop ?? lacksStock ?? lacksTick,
    plan: closeStop ?? heatStop ?? lacksGlue,
    laying: null,
    open: cellStop ?? tooEarly ?? lacksTick,
  }[phase];
  return { text, stop, lacksTick };
}
