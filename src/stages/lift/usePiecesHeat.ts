import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';

import { jointOf } from '@/core/device/jointKinds';
import type { Pt } from '@/core/device/types';
import type { Piece } from '@/core/lift/cracks/pieces';
import { meanUnderC, ringUnder } from '@/core/lift/cracks/underPiece';
import { breakAtCamera } from '@/core/lift/cracks/bladeEntry';
import type { JobState } from '@/model/fold';
import { heatCount, onPlate } from '@/model/stages/heat';
import { useActions } from '@/bench-kit/actions';
import { piecesDrawn, useCrackMap } from '@/bench-kit/crackMap';
import { liftState, lookedAtS, pickInForce, thermalJob, type ThermalJob } from '@/work/heat/thermalJob';
import { useGoOn } from '@/bench-kit/useGoOn';
import { useThermal } from '@/bench-kit/useThermal';
import { useSettings } from '@/store/shop';
import { useNow } from '@/bench-kit/useNow';

type Finger = 'off' | 'break' | 'left' | 'look';

/** The modes of a device read a spot up to 5 K wrong (own refinement study), a plate about 1.5 K. */
export const spotModelK = 5;

export const contactModelK = 1.5;

/**
 * Mean temperature of the glue under a piece, less what the model may be wrong by, °C: of the ring where a ring holds it, which
 * is colder than the middle of the glass, or of all under it.
 */
function pieceLowC(thermal: ThermalJob, piece: Piece, whole: boolean, tS: number, spotted: boolean): number {
  const { run, arcs, path } = thermal;
  const ring = whole ? [] : ringUnder(piece, path);
  const at = (sMm: number) => arcs[Math.floor((path.wrap(sMm) * arcs.length) / path.lengthMm + 0.5) % arcs.length]!;
  const mean = ring.length
    ? ring.reduce((m, sMm) => m + run.members[0]!.lineC(tS, at(sMm).cells), 0) / ring.length
    : (meanUnderC(thermal.model, run.picture(tS), piece.outer) ?? thermal.ambientC);
  return Math.max(thermal.ambientC, mean - (spotted ? spotModelK : contactModelK));
}

/** Pieces, order and the warmth of the next one. */
export function usePiecesHeat({ job }: { job: JobState }) {
  const settings = useSettings();
  const units = settings;
  const now = useNow(500, true);
  const router = useRouter();
  const { log } = useActions(job);
  const goOn = useGoOn(job, 'lift');
  const [finger, setFinger] = useState<Finger>('off');
  const [stroke, setStroke] = useState<readonly Pt[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const { answer, fresh, preview } = useCrackMap(job);
  const found = answer && !('problem' in answer) ? answer : null;
  const source = useThermal(job.device, job.bond);
  const firstHeat = job.heat[0]?.at ?? 0;
  const pickMm = useMemo(() => pickInForce(job, settings), [job, settings]);
  const thermal = useMemo(
    () => (source.model ? thermalJob(job, settings, source.model, firstHeat) : null),
    [job, settings, source.model, firstHeat],
  );
  const lift = useMemo(
    () => (thermal ? liftState(job, settings, thermal.path, thermal.arcs, pickMm) : null),
    [job, settings, thermal, pickMm],
  );
  const drawn = useMemo(() => (found ? piecesDrawn(found) : []), [found]);
  const on = onPlate(job);
  const heated = heatCount(job) > 0;
  const nowS = thermal && heated ? (now - thermal.t0) / 1e3 : 0;
  const step = found?.steps[0] ?? null;
  const piece = step && found ? found.map.pieces[step.pieceId]! : null;
  const spotted = job.heat.some((h) => h.use?.path?.kind === 'spot');
  const lookS = thermal ? lookedAtS(thermal, nowS, 0.5) : 0;
  const lowC = useMemo(
    () => (thermal && piece ? pieceLowC(thermal, piece, jointOf(job.bond).wholeFace, lookS, spotted) : settings.roomC),
    [thermal, piece, job.bond, lookS, spotted, settings.roomC],
  );
  const lines = useMemo(
    () =>
      piece
        ? breakAtCamera(
            piece,
            job.face.holes.filter((h) => h.role === 'camera'),
          )
        : null,
    [piece, job.face.holes],
  );
  return {
    job,
    on,
    now,
    settings,
    thermal,
    nowS,
    lift,
    lowC,
    step,
    found,
    piece,
    heated,
    lines,
    units,
    log,
    setProblem,
    finger,
    drawn,
    setStroke,
    preview,
    setFinger,
    fresh,
    pickMm,
    router,
    goOn,
    stroke,
    problem,
    spotted,
  };
}
