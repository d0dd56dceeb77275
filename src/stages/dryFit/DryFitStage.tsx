import { useMemo, useState } from 'react';

import { boxOf } from '@/core/device/shapes';
import { coverOf, bondPerimeter } from '@/core/device/perimeter';
import { dryFit, holeOffsetMm, minClearMm, moveResMm, uGapMm } from '@/core/fit/dryFit';
import { fitByEye, noticedMm } from '@/core/fit/byEye';
import { gaugePoints } from '@/core/fit/gaugePoints';
import { coldestC, hottestC } from '@/core/fit/thermalClearance';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { useByEye } from '@/bench-kit/ByEye';
import { eyeWords } from '@/words/eyeWords';
import { gaugeLines } from '@/bench-kit/GaugeEntry';
import { GaugeOrEye } from '@/bench-kit/GaugeOrEye';
import { instrumentsNow, moveOnGauge, readGauge } from '@/bench-kit/instruments';
import { PartMatch } from '@/bench-kit/PartMatch';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { StageShell } from '@/bench-kit/StageShell';
import { placeName } from '@/work/heat/thermalJob';
import { useGaugePad } from '@/bench-kit/useGaugePad';
import { useGoOn } from '@/bench-kit/useGoOn';
import { rowOf, Why } from '@/bench-kit/Why';
import { saveSettings, useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Tick } from '@/ui/Choice';
import { TurnArrow } from '@/ui/plan/bondLayers';
import { MoveArrow, Numbers, Soundings } from '@/ui/plan/layers';
import { Readings } from '@/ui/Readings';
import { length, lengthNumber, temp } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { CameraFit } from './CameraFit';
import { cameraHoles, heatLoss, readHoles } from '@/work/bond/fitJob';
import { eyeText } from './eyeText';
import { moveText } from './moveText';

const caution = 'New glass has sharp edges: gloves. Lay it in, do not press: there is no adhesive yet.';

export function DryFitStage({ job }: { job: JobState }) {
  const settings = useSettings();
  const now = useNow(10_000);
  const { undo, decide } = useActions(job);
  const goOn = useGoOn(job, 'dryFit');
  const points = useMemo(() => gaugePoints(job.device, job.bond), [job.device, job.bond]);
  const path = useMemo(() => bondPerimeter(job.device, job.bond), [job.device, job.bond]);
  const box = boxOf(coverOf(job.device, job.bond).outline);
  const centre = [(box.min[0] + box.max[0]) / 2, (box.min[1] + box.max[1]) / 2] as const;
  const taken = points.filter((p) => job.gaps[p.id] !== undefined);
  const [asked, setAsked] = useState(false);
  const measuring = asked || taken.length > 0;
  const by = useByEye(job, 'gap', points, measuring);
  const eye =
    !measuring && by.eye ? (by.eye.fine || by.eye.spots.length ? fitByEye(points, by.eye.spots, centre) : null) : null;
  const complete = taken.length === points.length;
  const heat = heatLoss(job, settings);
  const clear = Math.max(minClearMm.value, heat.lossMm);
  const cameras = cameraHoles(job);
  const fit =
    taken.length >= 6
      ? dryFit(
          taken.map((p) => ({ id: p.id, at: p.at, normal: p.normal, gapMm: job.gaps[p.id]! })),
          centre,
          readHoles(cameras),
          clear,
          job.gaugeU.gapMm || settings.gaugeU.gapMm,
        )
      : null;
  const next = points.find((p) => job.gaps[p.id] === undefined);
  const place = (p: (typeof points)[number]) => placeName(path, p.sMm);
  const { thumb, pad } = useGaugePad(measuring && next ? `Gap ${points.indexOf(next) + 1}: ${place(next)}` : null);
  const move = fit ? moveText(fit, settings) : '';
  const text = !measuring
    ? eyeText(by, eye, place, points, settings)
    : !fit || !complete
      ? {
          sentence: next ? `Gap at ${points.indexOf(next) + 1}: ${place(next)}.` : 'Measure the gaps.',
          reason: `Feeler between glass and frame, ${points.length} points: with 12 a crumb is missed.${fit && move ? ` So far: ${move}.` : ''}`,
          tone: 'ink' as const,
        }
      : fit.use === 'noFit'
        ? {
            sentence: 'Does not fit.',
            reason: `No slide or turn gives ${length(clear, settings, 2)} all round${cameras.some((c) => c.offset) ? ' with the cameras in their holes' : ''}; the best leaves ${length(fit.bestLeastGapMm, settings, 2)}. Compare old and new glass side by side.`,
            tone: 'caution' as const,
          }
        : fit.use === 'leave' || !move
          ? {
              sentence: 'Leave it where it is.',
              reason: `Gaps ${length(fit.minAfterMm, settings, 2)} and more, mean ${length(fit.meanGapMm, settings, 2)}.`,
              tone: 'ink' as const,
            }
          : {
              sentence: `${move[0]!.toUpperCase()}${move.slice(1)}.`,
              reason: `Least gap ${length(fit.minBeforeMm, settings, 2)} becomes ${length(fit.minAfterMm, settings, 2)}${fit.marginal ? ', only just enough' : ''}.${fit.use === 'minimax' ? ' Evening the gaps would still touch, so the least gap is made as large as it can be.' : ''}`,
              tone: fit.marginal ? ('caution' as const) : ('ink' as const),
            };
  const again = () => {
    // the simulated bench is told how the glass was moved; a real gauge sees it
    if (fit && complete && instrumentsNow().about?.simulated)
      void moveOnGauge({
        dxMm: fit.move.towardRightMm,
        dyMm: -fit.move.towardTopMm,
        turnDeg: fit.move.clockwiseDeg,
      });
    clearGaps();
  };
  const clearGaps = () =>
    job.effective.filter((e) => e.type === 'reading' && e.quantity === 'gapMm').forEach((e) => undo(e.id));
  const can = measuring ? complete && fit?.use !== 'noFit' : eye !== null && eye.action === 'leave';
  const finish = () =>
    goOn([
      decide({
        call: 'dryFit',
        inputs: { gaps: job.gaps, byEye: job.eyes.gap },
        computed: fit && { use: fit.use, move: fit.move, minAfterMm: fit.minAfterMm },
        chosen: fit?.use ?? 'leave',
      }),
    ]);
  return (
    <StageShell
      job={job}
      stage="dryFit"
      now={now}
      caution={caution}
      onMain={can ? finish : measuring ? undefined : by.fine}
      picture={(size) => (
        <PlainPlan
          job={job}
          size={size}
          label={`Gaps at ${taken.length} of ${points.length} points`}
          lines={gaugeLines(points, job.gaps, place, settings)}
          {...(by.onTap ? { onTap: by.onTap } : {})}
        >
          {by.layer}
          {eye?.towards ? <MoveArrow from={centre} dx={0.3 * eye.towards[0]} dy={0.3 * eye.towards[1]} /> : null}
          {eye?.turn ? <TurnArrow about={centre} clockwise={eye.turn === 'clockwise'} /> : null}
          <Soundings
            items={taken.map((p) => ({
              at: [p.at[0] - p.normal[0] * 8, p.at[1] - p.normal[1] * 7] as const,
              text: lengthNumber(job.gaps[p.id]!, settings, 2).replace(/^0/, ''),
              ring: job.gaps[p.id]! < clear,
            }))}
          />
          {measuring && next ? (
            <Numbers items={[{ at: next.at, text: String(points.indexOf(next) + 1), state: 'next' }]} />
          ) : null}
          {complete && fit && fit.use !== 'noFit' && fit.say.turn ? (
            <TurnArrow about={centre} clockwise={fit.move.clockwiseDeg > 0} />
          ) : null}
          {complete && fit && fit.use !== 'noFit' && (fit.say.horizontal || fit.say.vertical) ? (
            <MoveArrow
              from={centre}
              dx={fit.say.horizontal ? fit.move.towardRightMm : 0}
              dy={fit.say.vertical ? -fit.move.towardTopMm : 0}
            />
          ) : null}
        </PlainPlan>
      )}
      call={<Call {...text} />}
      readings={
        <Readings
          items={[
            measuring
              ? { id: 'n', value: `${taken.length} / ${points.length}`, label: 'points measured' }
              : {
                  id: 'n',
                  value: eye ? { leave: 'even', move: 'uneven', tooTight: 'too tight' }[eye.action] : '–',
                  label: `by eye; a gap that is ${length(noticedMm('gap'), settings, 2)} off is seen in nine of ten`,
                  tone: eye && eye.action !== 'leave' ? ('caution' as const) : ('ink' as const),
                },
            ...(measuring
              ? [
                  {
                    id: 'least',
                    value: taken.length ? length(Math.min(...taken.map((p) => job.gaps[p.id]!)), settings, 2) : '–',
                    label: `least gap, ${length(clear, settings, 2)} needed${heat.lossMm > minClearMm.value ? ': heat and cold take that much' : ''}`,
                    tone:
                      taken.length && Math.min(...taken.map((p) => job.gaps[p.id]!)) < clear
                        ? ('caution' as const)
                        : ('ink' as const),
                  },
                ]
              : []),
            ...(fit && complete
              ? [
                  { id: 'after', value: length(fit.minAfterMm, settings, 2), label: 'least gap after the move' },
                  {
                    id: 'camera',
                    value: fit.holeOffsetsMm.length ? length(Math.max(...fit.holeOffsetsMm), settings, 2) : '–',
                    label: `camera off its hole after it, ${length(holeOffsetMm.value, settings, 2)} allowed`,
                  },
                ]
              : []),
          ]}
        />
      }
      controls={
        <GaugeOrEye
          job={job}
          of="gap"
          by={by}
          measuring={measuring}
          onMeasure={() => setAsked(true)}
          points={points}
          values={job.gaps}
          name="Gap"
          lowMm={0}
          highMm={3}
          uMm={settings.gaugeU.gapMm}
          units={settings}
          thumb={thumb}
          placeOf={place}
          onRead={(p) => readGauge({ at: p.at, normal: p.normal, centre })}
        />
      }
      main={
        pad ??
        (!measuring && !can ? (
          <Button kind="main" label={eyeWords.gap.fine} onPress={by.fine} />
        ) : (
          <Button
            kind="main"
            label="It fits: go to bond"
            onPress={finish}
            disabled={!can}
            {...(can ? {} : { why: complete ? 'it does not fit' : `${points.length - taken.length} points to go` })}
          />
        ))
      }
      side={
        measuring ? (
          taken.length && !pad ? (
            <Button label="Moved: again" onPress={again} />
          ) : undefined
        ) : by.marking && by.eye?.spots.length ? (
          <Button label="Moved: again" onPress={by.notFine} />
        ) : by.marking ? undefined : (
          <Button label={by.eye ? 'Judge again' : 'Not everywhere'} onPress={by.notFine} />
        )
      }
    >
      <Tick
        label="Say the points aloud"
        on={settings.spoken}
        // a full storage keeps it until the page is closed
        onChange={(spoken) => void saveSettings({ ...settings, spoken }).catch(() => undefined)}
      />
      <CameraFit job={job} cameras={cameras} offsets={fit?.holeOffsetsMm ?? null} />
      <PartMatch job={job} />
      <Why
        job={job}
        call="dryFit"
        inputs={{ gaps: job.gaps }}
        computed={fit ? { use: fit.use, move: fit.move, minAfterMm: fit.minAfterMm } : null}
        notes={
          fit
            ? [
                `Even fit by least squares: ${length(fit.move.towardTopMm, settings, 3)} up (u ${length(fit.u.towardTopMm, settings, 3)}), ${length(fit.move.towardRightMm, settings, 3)} right (u ${length(fit.u.towardRightMm, settings, 3)}), ${fit.move.clockwiseDeg.toFixed(3)}° clockwise (u ${fit.u.clockwiseDeg.toFixed(3)}); left over ${length(fit.rmsMm, settings, 3)} rms.`,
                `Between ${temp(coldestC.value, settings)} and ${temp(hottestC.value, settings)} ${heat.frame} round ${heat.cover} takes ${length(heat.lossMm, settings, 3)} of the gap on each side.`,
                ...(fit.holeWeight > 0
                  ? [
                      'Even gaps alone would leave a camera too far off its hole: the fit is pulled toward it, no farther than needed.',
                    ]
                  : []),
                `Largest least gap that any slide and turn can give: ${length(fit.bestLeastGapMm, settings, 3)}.`,
              ]
            : ['Six points give a first answer, all of them the one to work by.']
        }
        rows={[
          rowOf('Gauge uncertainty', { ...uGapMm, value: settings.gaugeU.gapMm }, 'mm'),
          rowOf('Least gap', minClearMm, 'mm'),
          rowOf('Smallest slide worth doing', moveResMm, 'mm'),
          rowOf('Camera off its hole', holeOffsetMm, 'mm'),
          rowOf(`Expansion of the frame (${heat.frame})`, heat.frameK, '1/K'),
          rowOf(`Expansion of the cover (${heat.cover})`, heat.coverK, '1/K'),
        ]}
      />
    </StageShell>
  );
}
