import { jointOf } from '@/core/device/jointKinds';

import type { Pt } from '@/core/device/types';
import { contains } from '@/core/device/shapes';
import { polylineOf } from '@/core/lift/cracks/freehand';
import { leverMm } from '@/core/lift/leverage';
import { chipFlawUm } from '@/core/lift/strength';
import { pieceTargetC } from '@/core/lift/pieceTarget';
import { wedgeVerdict } from '@/core/lift/verdict';
import type { JobState } from '@/model/fold';
import { batteryMarks } from '@/work/heat/watchMarks';
import { newId } from '@/store/ids';
import { useVoice } from '@/bench-kit/useVoice';
import { pieceCues } from '@/work/voice/cues';
import { useAlarm, useAwake } from '@/ui/alarm';
import { type ReadingItem } from '@/ui/Readings';
import { length, tempNumber } from '@/words/units';
import { piecesCall } from './piecesCall';
import { t } from '@/words/lift';
import { usePiecesHeat } from './usePiecesHeat';

/** On a shorter free edge nothing is levered: the blade only slides, mm (judgement). */
const leastLeverMm = 4;

export const round = (v: number) => Math.round(v * 100) / 100;

export const where = (p: Pt, units: Parameters<typeof length>[1]) =>
  t('fromTheLeftFromTheTop', { p: length(p[0], units, 0), p2: length(p[1], units, 0) });

/** How the next piece stands, in words. */
function usePiecesCall(p: { job: JobState }) {
  const so = usePiecesHeat(p);
  const { job, on, now, settings, thermal, nowS, lift, lowC, step, found, piece, heated, lines, units } = so;
  const last = job.heat[job.heat.length - 1];
  const lastOn = job.heat.findLast((h) => h.setC !== null);
  const workLeftS =
    !on && last?.setC === null && lastOn?.use?.path?.kind === 'spot' && last.gripsInS !== null
      ? last.gripsInS - (now - last.at) / 1e3
      : null;
  const closesAt = workLeftS !== null && workLeftS > 0 ? now + workLeftS * 1e3 : null;
  const closesKey = closesAt === null ? null : Math.round(closesAt / 1e3) * 1e3;
  const alarm = useAlarm(closesKey, now, 'closes', settings.sound && !settings.voice.on);
  useVoice(closesKey === null ? [] : pieceCues({ gripsAt: closesKey }));
  useAwake(on !== null || workLeftS !== null);

  const marks = batteryMarks(job.device);
  const battery = thermal?.run.partC(nowS, 'battery') ?? null;
  const wedge = lift ? wedgeVerdict(lift.case, Math.max(15, lowC)) : null;
  const th = { easyC: lift?.easyC ?? null, workC: lift?.workC ?? null };
  const targetC = pieceTargetC(jointOf(job.bond).wholeFace, th);
  const flaw = chipFlawUm.yes.value;
  const lever =
    lift && step?.entry && step.entry.depthMm >= leastLeverMm
      ? leverMm(lift.case.cover, lift.case.hMm, flaw, step.entry.depthMm)
      : null;
  const swollen = job.findings.cellSwollen?.answer === 'yes';
  const leftCount = found ? found.steps.length : null;
  const text = piecesCall({
    left: leftCount,
    offCount: job.piecesOff.size,
    step,
    piece,
    glassLeft: job.glassLeft.size,
    swollen,
    onHeat: on !== null,
    everHeated: heated,
    batteryHighC: heated ? (battery?.high ?? null) : null,
    stopC: marks.stopC,
    lowC,
    wedge: wedge ?? { verdict: 'reheat', goC: null },
    targetC,
    workC: th.workC,
    workLeftS,
    leverMm: lever,
    breakLines: lines !== null && step?.risk === 2,
    units,
  });
  return { ...so, leftCount, targetC, th, wedge, battery, marks, swollen, lever, flaw, alarm, text };
}

/** How it stands: what PiecesLift shows and does. */
export function usePiecesLift(p: { job: JobState }) {
  const so = usePiecesCall(p);
  const {
    found,
    log,
    job,
    setProblem,
    finger,
    drawn,
    setStroke,
    preview,
    setFinger,
    leftCount,
    fresh,
    lowC,
    units,
    targetC,
    th,
    wedge,
    step,
    battery,
    marks,
    swollen,
    on,
  } = so;
  const takeOff = (id: number) => {
    const p = found?.map.pieces[id];
    if (!p) return;
    void log([
      {
        type: 'pieceOff',
        offId: newId(),
        onFace: job.face.id,
        loops: [p.outer, ...p.islands].map((l) => l.map(([x, y]): [number, number] => [round(x), round(y)])),
        areaMm2: round(p.areaMm2),
      },
    ]);
  };
  const onTap = (p: Pt) => {
    setProblem(null);
    if (finger === 'left') {
      const near = [...job.glassLeft].find(([, at]) => Math.hypot(at[0] - p[0], at[1] - p[1]) < 5);
      void log([
        near
          ? { type: 'glassGone', markId: near[0] }
          : { type: 'glassLeft', markId: newId(), onFace: job.face.id, place: [round(p[0]), round(p[1])] },
      ]);
      return;
    }
    const hit = drawn.find((d) => contains({ kind: 'polygon', pts: d.loops[0]! }, p));
    if (!hit) return setProblem(t('noGlassThere'));
    if (hit.state === 'done') {
      const back = [...job.piecesOff].find(([, o]) => contains({ kind: 'polygon', pts: o.loops[0]! }, p));
      if (back) void log([{ type: 'pieceBack', offId: back[0] }]);
      return;
    }
    takeOff(found!.steps[hit.order - 1]!.pieceId);
  };
  const onStroke = (pts: Pt[] | null, done: boolean) => {
    setStroke(done ? null : pts);
    if (!done) return preview(pts);
    try {
      const line = polylineOf(pts ?? [], 'stroke');
      void log([
        { type: 'crack', crackId: newId(), onFace: job.face.id, pts: line.map(([x, y]): [number, number] => [x, y]) },
      ]);
      setProblem(null);
      // the next tap takes a piece off again
      setFinger('off');
    } catch (e) {
      preview(null);
      setProblem(e instanceof Error ? e.message : t('notACrack'));
    }
  };
  const finished = leftCount === 0 && fresh;
  const readings: ReadingItem[] = [
    {
      id: 'temp',
      value: `${tempNumber(lowC, units)}°`,
      label:
        targetC === null
          ? t('piece1AtLeastNothingSoftens')
          : th.workC === null
            ? t('piece1AtLeastBladeWorks', { targetC: tempNumber(targetC, units) })
            : t('piece1AtLeastBladeWorks2', {
                workC: tempNumber(th.workC, units),
                targetC: tempNumber(targetC, units),
              }),
      tone: wedge?.verdict === 'go' ? 'go' : wedge?.verdict === 'slow' ? 'ink' : 'caution',
    },
    {
      id: 'depth',
      value: step?.entry ? length(step.entry.depthMm, units, 0) : '–',
      label: step?.entry
        ? step.entry.stoppedBy
          ? t('bladeInAtMost', { stoppedBy: step.entry.stoppedBy })
          : t('bladeInAtMostToThe')
        : t('noFreeEdge'),
      tone: step && step.risk > 0 ? 'caution' : 'ink',
    },
    {
      id: 'left',
      value: leftCount === null ? '–' : `${leftCount}`,
      label: job.glassLeft.size
        ? t('piecesLeftOffGlassLeftAt', { size: job.piecesOff.size, size2: job.glassLeft.size })
        : t('piecesLeftOff', { size: job.piecesOff.size }),
      tone: finished ? 'go' : 'ink',
    },
    {
      id: 'battery',
      value: battery ? `${tempNumber(battery.high, units)}°` : '–',
      label: t('batteryAtMostWarning', { cautionC: tempNumber(marks.cautionC, units) }),
      tone: (battery?.high ?? 0) >= marks.cautionC ? 'caution' : 'ink',
    },
  ];
  const shut = swollen ? t('theBatteryIsSwollen') : on ? t('theHeatIsOn2') : !fresh ? t('workingOutTheOrder') : null;
  return { ...so, takeOff, finished, shut, onStroke, onTap, readings };
}
export type PiecesLiftState = ReturnType<typeof usePiecesLift>;
