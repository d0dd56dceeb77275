import type { NewEvent } from '@/model/event';
import { goTo } from '@/bench-kit/goTo';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { useGoOn } from '@/bench-kit/useGoOn';
import { usedOf } from '@/work/bond/bondWork';
import type { Joint } from './useJoint';
import { t } from '@/words/bond';

/** What is noted while a joint is shut: the main thing of each phase, and a bead that is wiped off. */
export function useJointActions(job: JobState, { work, best, school, lays, mixed, strips, bead, picks, phase }: Joint) {
  const { log, decide } = useActions(job);
  const goOn = useGoOn(job, 'bond');
  const closed = (): NewEvent[] => [
    decide({
      call: 'bond',
      inputs: {
        promiseAt: job.promiseAt,
        school,
        tape: strips && { id: strips.tape.id, widthMm: strips.widthMm },
        liquid: bead && { id: bead.liquid.id, bondMm: bead.bondMm, gapMm: bead.gapMm, tubeC: bead.tubeC },
      },
      computed: work.choices.map((c) => ({ school: c.school.id, cost: c.cost, readyH: c.readyH, blocks: c.blocks })),
      chosen: school,
      ...(school !== best.school.id ? { because: 'otherWayNoReason' } : {}),
    }),
    {
      type: 'bonded',
      adhesive: school,
      usedMm: strips ? Math.round(strips.plan.rollUsedMm * 10) / 10 : 0,
      widthMm: strips && !bead ? strips.widthMm : job.bond.widthMm,
      ...(bead
        ? {
            cure: bead.liquid.cure,
            bondMm: Math.min(60, bead.cureMm),
            gapMm: bead.gapMm,
            itemId: bead.liquid.id,
            ...(strips ? { tapeId: strips.tape.id } : {}),
            ...(mixed ? { beadOn: [...work.beadOn] } : {}),
          }
        : { cure: 'tape' as const, ...(strips ? { itemId: strips.tape.id } : {}) }),
      used: usedOf(lays, job, strips, bead),
    },
  ];
  const begin = () => {
    if (!bead) return;
    void log([
      {
        type: 'bead',
        phase: 'start',
        plan: {
          school,
          liquidId: bead.liquid.id,
          bondMm: bead.bondMm,
          gapMm: bead.gapMm,
          feedMmS: bead.bead.feedMmS,
          tornMm: picks.tornMm,
          coverage: picks.coverage,
          pitchMm: picks.pitchMm,
          pattern: picks.pattern,
          tubeC: bead.tubeC,
          ...(mixed
            ? {
                beadOn: [...work.beadOn],
                ...(lays === 'ring' || lays === 'strips' ? { base: lays } : {}),
                ...(strips ? { tapeId: strips.tape.id } : {}),
              }
            : {}),
        },
      },
    ]);
  };
  const main = {
    closed: { label: goTo(job, 'bond'), act: () => goOn() },
    tape: {
      label: {
        strips: t('laidAndClosed'),
        ring: t('ringLaidAndClosed'),
        onPart: t('setAndPressed'),
        oldRing: t('setAndPressed'),
      }[lays ?? 'strips'],
      act: () => goOn(closed()),
    },
    plan: { label: t('startLaying'), act: begin },
    laying: { label: t('allOfItIsLaid'), act: () => void log([{ type: 'bead', phase: 'end' }]) },
    open: { label: t('closedAndPressed'), act: () => goOn(closed()) },
  }[phase];
  return { main, wipeOff: () => void log([{ type: 'bead', phase: 'off' }]) };
}
