import { jointOf } from '@/core/device/jointKinds';
import { defOf } from '@/core/heat/heaterDefs';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';

import { slotDryS } from '@/core/alcohol/drying';
import {
  airAwayS,
  alcoholStops,
  bondBelowC,
  cameraWithinMm,
  cleanCoolC,
  type AlcoholStop,
  type Surroundings,
} from '@/core/alcohol/interlock';
import { wick, wickBelowC } from '@/core/alcohol/liquid';
import { recentMl, usedSince, vapour } from '@/core/alcohol/vapour';
import { bondPerimeter } from '@/core/device/perimeter';
import { heatModelled } from '@/core/device/thermalStack';
import { boxOf } from '@/core/device/shapes';
import type { EdgeId } from '@/core/device/types';
import { keepOuts } from '@/core/lift/depth';
import { judgement } from '@/core/source';
import type { JobState } from '@/model/fold';
import { onPlate } from '@/model/stages/heat';
import { heaterOf } from '@/model/settings';
import { useActions } from '@/bench-kit/actions';
import { shopAdhesive } from '@/work/heat/shopAdhesive';
import { hrefAt } from '@/bench-kit/stageHref';
import { thermalJob } from '@/work/heat/thermalJob';
import { everyPart } from '@/work/heat/watchMarks';
import { presentJob } from '@/work/heat/present';
import { useThermal } from '@/bench-kit/useThermal';
import { airNear, wetUntil } from '@/bench-kit/wet';
import { useJobs, useSettings } from '@/store/shop';
import { listed, digits, clock, length, temp } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { t } from '@/words/alcohol';

/** A cover that no heat model describes counts as hot for this long after its heat. */
export const unmodelledWaitS = judgement(600, 'a warmed lens cover has cooled by then');

export const wipeMl = judgement(0.1, 'a wipe that is nearly dry, ml');

export const edges: EdgeId[] = ['bottom', 'left', 'top', 'right'];

const midnight = (now: number) => new Date(now).setHours(0, 0, 0, 0);

function stopWords(
  units: Parameters<typeof temp>[1],
  f: Surroundings,
  use: 'gap' | 'wipe',
): Record<AlcoholStop, { short: string; long: string }> {
  const limit = use === 'gap' ? bondBelowC.value : cleanCoolC.value;
  return {
    unknown: { short: t('aFigureIsMissing'), long: t('doseRoomOrTemperatureIsNot') },
    heatOn: { short: t('itIsOnTheHeat'), long: t('offFirstOutOfItsReach', { heatOn: f.heatOn ?? t('theHeat') }) },
    airNear: {
      short: t('tooNear', { list: listed(f.airNear) }),
      long: t('itRunsOrItsElementStill', { value: clock(airAwayS.value) }),
    },
    faceTooHot: {
      short: t('over', { limit: temp(limit, units) }),
      long: t('itMayBeAtAlcoholBoils', {
        faceC: f.faceC === null || !Number.isFinite(f.faceC) ? t('moreNoModelSaysHowFar') : temp(f.faceC, units),
      }),
    },
    camera: {
      short: t('anOpenCameraIsNear'),
      long: t('fromThisEdgeMaskItOr', { cameraMm: length(f.cameraMm, units, 0) }),
    },
    tooMuch: {
      short: t('tooMuchAtOnce'),
      long: t('withMlOfTheLastHalf', { figure: digits(f.recentMl, 2), figure2: digits(f.mostMl, 2) }),
    },
  };
}

/** Where it goes, and how warm it is there. */
function useWhere({ job: whole }: { job: JobState }) {
  const settings = useSettings();
  const units = settings;
  const now = useNow(1000);
  const router = useRouter();
  const job = useMemo(() => presentJob(whole), [whole]);
  const { log } = useActions(job);
  const jobs = useJobs();
  const source = useThermal(job.device, job.bond);
  const modelled = heatModelled(job.device, job.bond);
  const thermal = useMemo(
    () => (modelled && source.model && job.heat.length ? thermalJob(job, settings, source.model, 0) : null),
    [modelled, source.model, job, settings],
  );
  const path = useMemo(() => bondPerimeter(job.device, job.bond), [job.device, job.bond]);
  const lifted = job.stages.lift === 'done';
  const [use, setUse] = useState<'gap' | 'wipe'>(lifted ? 'wipe' : 'gap');
  const [edge, setEdge] = useState<EdgeId>(() => edges.find((e) => !job.freeEdges.has(e)) ?? 'bottom');
  const [typedMl, setTypedMl] = useState<number | null>(null);
  const [checks, setChecks] = useState({ ventilated: false, masked: false });
  const check = (k: keyof typeof checks) => (on: boolean) => setChecks((c) => ({ ...c, [k]: on }));

  const on = onPlate(job);
  const last = job.heat[job.heat.length - 1];
  const nowS = thermal ? (now - thermal.t0) / 1e3 : 0;
  const bondC = thermal
    ? Math.max(
        thermal.run.partC(nowS, 'cover')?.high ?? 0,
        ...thermal.run.hotArcsC(nowS, thermal.arcs).map((r) => r.high),
      )
    : !modelled
      ? // a lens cover has no model that cools: it waits instead
        last && last.setC === null && now - last.at < unmodelledWaitS.value * 1e3
        ? Infinity
        : null
      : job.heat.length
        ? Infinity
        : null;
  const lineC = bondC === null || !Number.isFinite(bondC) ? (job.ambientC ?? settings.roomC) : bondC;
  const span = path.edgeSpan(edge);
  const edgeMm = span.toMm - span.fromMm;
  const ringMm = jointOf(job.bond).wholeFace ? 10 : job.bond.widthMm;
  const doseMl = (edgeMm * ringMm * job.bond.gapMm) / 1e3;
  const ml = typedMl ?? (use === 'gap' ? Math.max(0.01, Math.round(doseMl * 100) / 100) : wipeMl.value);
  const cameraMm = useMemo(() => {
    const cameras = keepOuts(job.device, job.bond, everyPart(job.device))
      .filter((k) => k.why === 'camera')
      .map((k) => boxOf(k.shape));
    let best = Infinity;
    for (let s = span.fromMm; s <= span.toMm; s += 2) {
      const [x, y] = path.point(s).at;
      for (const b of cameras)
        best = Math.min(
          best,
          Math.hypot(Math.max(b.min[0] - x, 0, x - b.max[0]), Math.max(b.min[1] - y, 0, y - b.max[1])),
        );
    }
    return best;
  }, [job.device, job.bond, path, span.fromMm, span.toMm]);
  return {
    settings,
    jobs,
    now,
    ml,
    on,
    job,
    bondC,
    use,
    cameraMm,
    checks,
    units,
    lineC,
    edgeMm,
    ringMm,
    log,
    span,
    router,
    lifted,
    edge,
    modelled,
    doseMl,
    setUse,
    setTypedMl,
    setEdge,
    check,
  };
}

/** How it stands: what AlcoholScreen shows and does. */
export function useAlcoholScreen(p: { job: JobState }) {
  const so = useWhere(p);
  const {
    settings,
    jobs,
    now,
    ml,
    on,
    job,
    bondC,
    use,
    cameraMm,
    checks,
    units,
    lineC,
    edgeMm,
    ringMm,
    log,
    span,
    router,
    lifted,
  } = so;
  const air = settings.air;
  const uses = jobs.flatMap((j) => j.alcohol.map((a) => ({ at: a.at, ml: a.ml })));
  const today = usedSince(uses, midnight(now));
  const v = vapour(ml, air, settings.roomC);
  const day = vapour(today + ml, air, settings.roomC);
  const around: Surroundings = {
    heatOn: on ? heaterOf(settings, on.heater).name : null,
    airNear: airNear(job, jobs, settings, now),
    contactNear: jobs
      .filter((j) => j.id !== job.id && j.closedAt === null)
      .flatMap((j) => {
        const heat = onPlate(j);
        return heat && defOf(heaterOf(settings, heat.heater)).under ? [j.label] : [];
      }),
    faceC: bondC,
    belowC: use === 'gap' ? bondBelowC.value : cleanCoolC.value,
    cameraMm: use === 'gap' ? cameraMm : cameraWithinMm.value,
    masked: checks.masked,
    ventilated: checks.ventilated,
    mostMl: v.mostMl,
    ml,
    recentMl: recentMl(uses, air, now),
  };
  const stops = alcoholStops(around);
  const words = stopWords(units, around, use);
  const run =
    use === 'gap' && lineC < wickBelowC
      ? {
          ring: wick(lineC, job.bond.gapMm, edgeMm, { depthMm: ringMm }),
          ten: wick(lineC, job.bond.gapMm, edgeMm, { timeS: 10 }),
          soakS: 60,
        }
      : null;
  const adhesive = shopAdhesive(settings, job.bond.adhesive);
  const dried = run ? slotDryS(lineC, ringMm) : null;
  const wet = wetUntil(job, settings);
  const give = () => {
    void log([
      {
        type: 'alcohol',
        ml,
        use,
        ...(use === 'gap' ? { stretch: { fromMm: span.fromMm, toMm: span.toMm } } : {}),
        checks: { ...checks, sourcesAway: around.airNear.length === 0 },
        tC: Math.round(lineC * 10) / 10,
      },
    ]);
    router.replace(hrefAt(job, lifted ? 'clean' : 'lift'));
  };
  const first = stops[0];
  return { ...so, stops, v, run, air, adhesive, dried, wet, around, uses, today, day, first, words, give };
}
export type AlcoholScreenState = ReturnType<typeof useAlcoholScreen>;
