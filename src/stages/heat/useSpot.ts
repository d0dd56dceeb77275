import { jointOf } from '@/core/device/jointKinds';
import { useMemo, useState } from 'react';

import { toThermalStack } from '@/core/device/thermalStack';
import { bondPerimeter } from '@/core/device/perimeter';
import { boxOf, contains } from '@/core/device/shapes';
import type { Pt, Shape } from '@/core/device/types';
import { finestAir } from '@/core/heat/heaterKind';
import { judgement } from '@/core/source';
import { heatAt } from '@/core/lift/cracks/bladeEntry';
import type { SpotResult } from '@/core/heat/spot';
import type { JobState } from '@/model/fold';
import { onPlate } from '@/model/stages/heat';
import { piecesDrawn, useCrackMap } from '@/bench-kit/crackMap';
import { heatUse } from '@/work/heat/heating';
import { liftCase, pickInForce } from '@/work/heat/thermalJob';
import { batteryMarks, everyPart, partStopC } from '@/work/heat/watchMarks';
import { useLongRun } from '@/bench-kit/useLongRun';
import { wetStop } from '@/bench-kit/wet';
import { useJobs } from '@/store/shop';
import { pieceTargetC } from '@/core/lift/pieceTarget';
import { liftThresholds } from '@/core/lift/verdict';
import { useVoice } from '@/bench-kit/useVoice';
import { airCues } from '@/work/voice/cues';
import { useAlarm, useAwake } from '@/ui/alarm';
import { spotInWorker } from '@/workers/thermalClient';
import { missingBeforeHeat } from './heatPage';
import { spotClock } from './spotCall';
import { useAir } from './useAir';
import { t } from '@/words/heat';

const cycles = 4;

/** What is softened at a time under a piece of a full bond: a strip of this half width by the blade. */
export const stripMm = judgement(5, 'strip by the blade that is softened at a time, half its width');

/** Where the spot is, and its run. */
function useSpotPlan({ job: whole }: { job: JobState }) {
  const air = useAir(whole, finestAir, 500);
  const { settings, job, heater, setC } = air;
  const { answer } = useCrackMap(job);
  const found = answer && !('problem' in answer) ? answer : null;
  const drawn = useMemo(() => (found ? piecesDrawn(found).filter((p) => p.state !== 'done') : []), [found]);
  const [tapped, setTapped] = useState<Pt | null>(null);
  const [radiusMm, setRadiusMm] = useState(jointOf(job.bond).wholeFace ? 4 : 6);
  const many = drawn.length > 1;
  // the piece under the tap, else the first of the lift order, else the middle of the cover
  const piece = many
    ? (drawn.find((p) => tapped && contains({ kind: 'polygon', pts: p.loops[0]! }, tapped)) ?? drawn[0]!)
    : null;
  // a ring has no glue in the middle: there the bottom of the ring is where one starts
  const box = boxOf(job.face.cover.outline);
  const firstAt: Pt = jointOf(job.bond).wholeFace
    ? [(box.min[0] + box.max[0]) / 2, (box.min[1] + box.max[1]) / 2]
    : bondPerimeter(job.device, job.bond).point(0).at;
  // on a full bond the strip by the blade is what is softened: half of the whole piece would cook the cell
  const step = piece && found && jointOf(job.bond).wholeFace ? found.steps[piece.order - 1]! : null;
  const byBlade = step ? heatAt(found!.map.pieces[step.pieceId]!, step.entry) : null;
  const at: Pt = byBlade ?? (piece ? piece.labelAt : (tapped ?? firstAt));
  const zone: Shape = byBlade
    ? { kind: 'disc', c: byBlade, rMm: stripMm.value }
    : piece
      ? { kind: 'polygon', pts: piece.loops[0]! }
      : { kind: 'disc', c: at, rMm: 12 };
  const pickMm = useMemo(() => pickInForce(job, settings), [job, settings]);
  const th = useMemo(() => liftThresholds({ ...liftCase(job, settings), pickMm }), [job, settings, pickMm]);
  const targetC = pieceTargetC(jointOf(job.bond).wholeFace, th);
  const run = useLongRun<SpotResult>();
  const ambientC = job.ambientC ?? settings.roomC;
  const start = () => {
    const { workC } = th;
    if (!heater || targetC === null || workC === null) return;
    void run.start((tell) =>
      spotInWorker(
        toThermalStack(job.device, job.bond, everyPart(job.device)),
        {
          heater,
          setC,
          ambientC,
          at,
          radiusMm,
          masks: heatUse(job.device, job.bond, { masked: true }).masks ?? [],
          piece: zone,
          easyC: targetC,
          workC,
          cycles,
          stopC: { battery: batteryMarks(job.device).stopC, ...partStopC(job) },
        },
        tell,
      ),
    );
  };
  const place = { at, radiusMm, setRadiusMm, piece, byBlade, setTapped, many, drawn };
  return { ...air, ...place, units: settings, run, pickMm, ambientC, start, targetC, th };
}

/** How it stands: what Spot shows and does. */
export function useSpot(p: { job: JobState }) {
  const so = useSpotPlan(p);
  const { at, radiusMm, piece, run, job, now, settings, heater, log, setC, pickMm, decide, ambientC } = so;
  const path = { kind: 'spot' as const, at, radiusMm };
  const name = piece ? t('piece', { order: piece.order }) : t('thisPlace');
  const r = run.result;
  // the clock runs on what was noted with the taps, so a reload loses nothing
  const last = job.heat.findLast((h) => h.use?.path?.kind === 'spot' || h.setC === null);
  const ranSpot = job.heat.some((h) => h.use?.path?.kind === 'spot');
  const on = onPlate(job)?.use?.path?.kind === 'spot' ? onPlate(job) : null;
  const heats = job.heat.filter((h) => h.use?.path?.kind === 'spot').length;
  const cycle = r?.cycles[Math.min(on ? heats - 1 : heats, r.cycles.length - 1)] ?? null;
  const live = spotClock({
    on: on ? { atMs: on.at, readyInS: on.readyInS } : null,
    off: !on && ranSpot && last?.setC === null ? { atMs: last.at, gripsInS: last.gripsInS } : null,
    againS: cycle?.heatS ?? null,
    now,
    name,
  });
  const dueAt = on?.readyInS == null ? null : on.at + on.readyInS * 1e3;
  const alarm = useAlarm(dueAt, now, 'opens', settings.sound && !settings.voice.on);
  useVoice(on && dueAt !== null ? airCues({ onAt: on.at, dueAt }) : []);
  useAwake(on !== null);
  const jobs = useJobs();
  const missing = missingBeforeHeat(job, t('onHeat'), wetStop(job, jobs, settings, now, heater));
  const airOn = () => {
    if (!heater || !cycle || missing) return;
    const record = {
      heater: heater.id,
      use: { masked: true, path: { ...path, at: [at[0], at[1]] as [number, number] } },
    };
    void log([
      { type: 'heatPlan', setC, pickMm, preheated: true, ...record },
      decide({ call: 'spot', inputs: { setC, at, radiusMm, cycle: heats + 1 }, computed: r, chosen: name }),
      ...(job.stages.heat === 'todo' ? ([{ type: 'stage', stage: 'heat', to: 'started' }] as const) : []),
      { type: 'heatOn', setC, preheated: true, ...record, startC: ambientC, modelRun: 'full', readyInS: cycle.heatS },
    ]);
  };
  const airOff = () =>
    void log([{ type: 'heatOff', reason: 'ready', easyForS: null, gripsInS: cycle?.workS ?? last?.gripsInS ?? null }]);
  return { ...so, r, name, on, airOff, cycle, airOn, missing, path, alarm, heats, live };
}
export type SpotState = ReturnType<typeof useSpot>;
