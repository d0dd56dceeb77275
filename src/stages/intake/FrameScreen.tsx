import { useState } from 'react';
import { useRouter } from 'expo-router';

import { gaugePoints } from '@/core/fit/gaugePoints';
import { bentLimits } from '@/core/fit/bentFrame';
import type { JobState } from '@/model/fold';
import { useByEye } from '@/bench-kit/ByEye';
import { eyeWords } from '@/words/eyeWords';
import { gaugeLines } from '@/bench-kit/GaugeEntry';
import { GaugeOrEye } from '@/bench-kit/GaugeOrEye';
import { JobPage } from '@/bench-kit/JobPage';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { placeName } from '@/work/heat/thermalJob';
import { backHref, cameFrom } from '@/bench-kit/cameFrom';
import { useGaugePad } from '@/bench-kit/useGaugePad';
import { rowOf, Why } from '@/bench-kit/Why';
import { useSettings } from '@/store/shop';
import { bondPerimeter, Perimeter } from '@/core/device/perimeter';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Numbers, RingArcs, Soundings } from '@/ui/plan/layers';
import { Readings } from '@/ui/Readings';
import { length, lengthNumber } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { badStretches, frameOf } from '@/work/bond/frameOf';
import { frameText, seatByEye } from './words';

/** Heights of the seat at guided points: where a flat glass would not touch, and what would bridge it. */
export function FrameScreen({ job }: { job: JobState }) {
  const settings = useSettings();
  const now = useNow(10_000);
  const router = useRouter();
  const points = gaugePoints(job.device, job.bond);
  const path = bondPerimeter(job.device, job.bond);
  const edge = new Perimeter(job.face.cover.outline);
  const frame = frameOf(job);
  const [asked, setAsked] = useState(false);
  const measuring = asked || points.some((p) => job.seats[p.id] !== undefined);
  const by = useByEye(job, 'seat', points, measuring);
  const place = (p: (typeof points)[number]) => placeName(edge, edge.locate(p.at));
  const missing = points.filter((p) => job.seats[p.id] === undefined);
  const [next] = missing;
  const { thumb, pad } = useGaugePad(
    measuring && next ? `Height ${points.indexOf(next) + 1}: ${placeName(edge, edge.locate(next.at))}` : null,
    true,
  );
  const text = frame
    ? frameText(frame, settings)
    : !measuring
      ? seatByEye(by, place, points, settings)
      : {
          sentence: `${missing.length} heights to go.`,
          reason: 'A straight edge over the frame, the depth of the seat under it at each point; higher is positive.',
          bad: false,
        };
  return (
    <JobPage
      job={job}
      title="Seat of the frame"
      now={now}
      stage="intake"
      lead={<Call sentence={text.sentence} reason={text.reason} tone={text.bad ? 'caution' : 'ink'} />}
      picture={(size) => (
        <PlainPlan
          job={job}
          size={size}
          label={`Seat of the frame, ${points.length - missing.length} of ${points.length} points measured`}
          lines={gaugeLines(points, job.seats, (p) => placeName(edge, edge.locate(p.at)), settings)}
          {...(by.onTap ? { onTap: by.onTap } : {})}
        >
          {by.layer}
          {frame ? <RingArcs arcs={badStretches(job, frame, path).map((a) => ({ ...a, state: 'dry' }))} /> : null}
          {frame ? (
            <Soundings
              items={points.map((p, i) => ({
                at: [p.at[0] - p.normal[0] * 9, p.at[1] - p.normal[1] * 9],
                text: lengthNumber(frame.gapsMm[i]!, settings, 2),
                bold: frame.gapsMm[i] === frame.maxGapMm,
              }))}
            />
          ) : !measuring ? null : (
            <Numbers
              items={points.map((p, i) => ({
                at: [p.at[0] - p.normal[0] * 5, p.at[1] - p.normal[1] * 5],
                text: String(i + 1),
                state: p === missing[0] ? 'next' : job.seats[p.id] === undefined ? 'todo' : 'done',
              }))}
            />
          )}
        </PlainPlan>
      )}
      side={
        pad || by.marking ? (
          <Button label="Intake" onPress={() => router.replace(backHref(job, 'intake'))} />
        ) : measuring ? undefined : (
          <Button label={by.eye ? 'Judge again' : 'Not everywhere'} onPress={by.notFine} />
        )
      }
      main={
        pad ??
        (!measuring && (!by.eye || by.marking) ? (
          <Button kind="main" label={eyeWords.seat.fine} onPress={by.fine} />
        ) : (
          <Button
            kind="main"
            label={cameFrom(job, 'intake') === 'intake' ? 'Back to intake' : 'Back'}
            onPress={() => router.replace(backHref(job, 'intake'))}
          />
        ))
      }
    >
      <GaugeOrEye
        job={job}
        of="seat"
        by={by}
        measuring={measuring}
        onMeasure={() => setAsked(true)}
        points={points}
        values={job.seats}
        name="Height"
        lowMm={-2}
        highMm={2}
        uMm={bentLimits.uSeatMm.value}
        units={settings}
        thumb={thumb}
        placeOf={place}
      />
      {frame ? (
        <Readings
          items={[
            {
              id: 'contact',
              value: `${Math.round(frame.contactShare * 100)} %`,
              label: 'of the ring will bond',
              tone: frame.contactShare < 0.999 ? 'caution' : 'go',
            },
            { id: 'gap', value: length(frame.maxGapMm, settings, 2), label: 'largest gap under a flat glass' },
            { id: 'tape', value: length(frame.tapeNeededMm, settings, 2), label: 'tape that would bridge it' },
            { id: 'bead', value: `${frame.beadVolumeMm3.toFixed(1)} mm³`, label: 'bead that would fill the rest' },
          ]}
        />
      ) : null}
      <Why
        job={job}
        call="frame"
        inputs={{ seats: job.seats }}
        computed={frame}
        notes={[
          'A flat stiff glass rests on the highest spots round its middle; tape is pressed until they reach its most compression. Pulling the glass down to a bow would load the bond for ever: do not count on clamping it flat.',
        ]}
        rows={[
          rowOf('Tape wets from this compression', bentLimits.compressMin, ''),
          rowOf('and is not pressed beyond', bentLimits.compressMax, ''),
          rowOf('Highest gap for a bead', bentLimits.beadMaxMm, 'mm'),
          rowOf('Largest share of the ring for a bead', bentLimits.maxBadShare, ''),
          rowOf('Uncertainty of a height', bentLimits.uSeatMm, 'mm'),
        ]}
      />
    </JobPage>
  );
}
