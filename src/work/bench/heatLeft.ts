import { coverKindOf } from '@/core/device/coverKinds';
import { jointOf } from '@/core/device/jointKinds';
import { defOf } from '@/core/heat/heaterDefs';
import { taskFigures, type HeatWay } from '@/core/schedule/jobTasks';
import type { JobState } from '@/model/fold';
import { onPlate, type HeatSlice } from '@/model/stages/heat';
import { heaterOf, type Settings } from '@/model/settings';
import { benchFigures, type BenchInput, type Frame } from './benchInput';
import type { JobHands } from './jobHands';

/** Heating before the model was asked. */
export function guessedHeat(job: Pick<HeatSlice, 'plan'>, settings: Settings): HeatWay {
  const heater = job.plan?.heater ?? settings.plate.id;
  return {
    heater,
    held: !defOf(heaterOf(settings, heater)).under,
    heatS: benchFigures.heatS.value,
    windowS: benchFigures.windowS.value,
    reheatS: benchFigures.heatS.value * taskFigures.reheatShare.value,
  };
}

interface HeatLeft {
  heats: readonly HeatWay[];
  /** who stands by the heat lifts: an estimate of when somebody else is free is no hand at the window */
  lifter: string | null;
}

/** Heating and lifting as they are left, with the way that is used. */
export function heatLeft(job: JobState, o: BenchInput, f: Frame, at: JobHands): HeatLeft {
  const { settings } = o;
  const { left, going, todo, running, begin, works } = at;
  const lensFace = coverKindOf(job.face).lens;
  const heats = lensFace ? [] : (o.heats?.get(job.id) ?? [guessedHeat(job, settings)]);
  const clips = !jointOf(job.bond).glued;

  let used = heats;
  /** who stands by the heat lifts: an estimate of when somebody else is free is no hand at the window */
  let lifter: string | null = null;
  if (todo('heat') || todo('lift')) {
    const on = onPlate(job);
    const last = job.heat[job.heat.length - 1] ?? null;
    left.add('lift');
    if (clips || lensFace) used = [];
    else if (on) {
      left.add('heat');
      const endS = on.readyInS === null ? f.nowS + 60 : f.s(on.at) + on.readyInS;
      const heater = on.heater ?? settings.plate.id;
      const laidOn = job.effective.find((e) => e.id === on.eventId)?.by ?? null;
      going.push({
        task: 'heat',
        startS: f.s(on.at),
        endS: Math.max(f.nowS, Math.round(endS)),
        person: laidOn !== null && f.names.includes(laidOn) ? laidOn : null,
        heater,
      });
      // the way that it is heated now; one that is waited for keeps the person who laid it on
      const own = heats.find((h) => h.heater === heater) ?? { ...heats[0]!, heater };
      const held = own.held && laidOn !== null && f.names.includes(laidOn);
      used = [{ ...own, held }];
      if (held) lifter = laidOn;
    } else if (works('lift')) {
      begin('lift', running!.fromAt);
      used = [];
    } else if (last && last.setC === null && todo('lift')) {
      left.add('heat');
      const heater = job.heat.findLast((h) => h.setC !== null)?.heater ?? settings.plate.id;
      const startAt = job.heat.findLast((h) => h.setC !== null)?.at ?? last.at;
      going.push({ task: 'heat', startS: f.s(startAt), endS: f.s(last.at), person: null, heater });
      const own = heats.find((h) => h.heater === heater) ?? { ...heats[0]!, heater };
      used = [{ ...own, windowS: last.gripsInS ?? own.windowS }];
    } else if (todo('heat')) {
      left.add('load');
      left.add('heat');
      const held = heats.find((h) => h.held);
      if (works('heat') && held) {
        begin('heat', running!.fromAt, held.heatS, held.heater);
        used = [held];
      } else if (works('heat')) begin('load', running!.fromAt);
    } else used = [];
  }

  return { heats: used, lifter };
}
