import { useMemo, useState } from 'react';
import { View } from 'react-native';

import { closingOrder } from '@/core/bond/closing';
import { closingWindow } from '@/core/bond/openTime';
import { paceAt } from '@/core/bond/pace';
import type { SchoolId } from '@/core/bond/schools';
import type { NewEvent } from '@/model/event';
import { schoolNames } from '@/model/eventLine';
import { onPlate, type JobState } from '@/model/fold';
import { stockNow } from '@/model/stock';
import { useActions } from '@/stagekit/actions';
import { badStretches } from '@/stagekit/frameOf';
import { OpenAgain } from '@/stagekit/OpenAgain';
import { PlainPlan } from '@/stagekit/PlainPlan';
import { ScrewGate, useScrewGate } from '@/stagekit/ScrewGate';
import { StageShell } from '@/stagekit/StageShell';
import { useGoOn } from '@/stagekit/useGoOn';
import { Why } from '@/stagekit/Why';
import { useJobs, useSettings } from '@/store/shop';
import { Flash, useAlarm, useAwake } from '@/ui/alarm';
import { Button, HoldButton } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { BeadStrokes, PaceMark } from '@/ui/plan/bondLayers';
import { Numbers, RingArcs, Soundings, TapeBars } from '@/ui/plan/layers';
import { Readings } from '@/ui/Readings';
import { capital } from '@/ui/capital';
import { clock, length, lengthNumber } from '@/ui/units';
import { useNow } from '@/ui/useNow';
import { BeadDetails } from './BeadDetails';
import { beadText, ringText, tapeText } from './bondCall';
import { beadWork, bondWork, noPicks, problemOf, tapeFor, usedOf, type BeadWork, type Picks } from './bondWork';
import { BeforeClosing, ClosingList } from './ClosingList';
import { RealUse } from './RealUse';
import { SchoolChoice, SchoolTable } from './SchoolTable';
import { groupPieces, TapeDetails } from './TapeDetails';
import { beadReadings, ringReadings, tapeReadings, whyRows } from './readings';

const cautions = {
  tape: 'Sharp blade and glass edges: gloves, cut away from the hand. Cameras and microphones stay clear of adhesive.',
  solvent:
    'Solvent glue: its vapour burns and makes dizzy. Every heat source off and away, air the room, gloves; the maker’s sheet and local rules come first.',
  moisture:
    'Sealant: gloves, air the room, off skin and eyes; the maker’s sheet and local rules come first. Glass edges are sharp.',
};

const isLiquid = (s: SchoolId) => s === 'liquidBead' || s === 'reuseTopup' || s === 'fullFill';

/** How a cover is bonded again: the way, how much of it, laid where, closed when. */
export function JointBond({ job }: { job: JobState }) {
  const settings = useSettings();
  const open = job.bead !== null && job.bonded === null;
  // the mark moves five times a second, a clock once
  const now = useNow(open ? (job.bead?.endAt === null ? 200 : 1000) : 10_000);
  const { log, decide } = useActions(job);
  const goOn = useGoOn(job, 'bond');
  const jobs = useJobs();
  const [own, setOwn] = useState<Picks>(noPicks);
  const [picked, setPicked] = useState<SchoolId | null>(null);
  // a bead that lies open keeps the figures it was begun with, over a reload too
  const kept = job.bead?.plan ?? null;
  const picks = useMemo((): Picks => (kept ? { ...own, ...kept } : own), [kept, own]);
  const clean = ![...job.zones.frame.values()].some(
    (z) => z.state === 'film' || z.state === 'residue' || z.state === 'glass',
  );
  // stock and choice answer to the minute, the clocks below to the instant
  const minute = Math.floor(now / 60_000) * 60_000;
  const stock = useMemo(() => stockNow(settings, jobs), [settings, jobs]);
  const { tapeId } = picks;
  const tape = useMemo(() => tapeFor(job, settings, stock, tapeId), [job, settings, stock, tapeId]);
  const work = useMemo(
    () => bondWork(job, settings, stock, tape, picks, minute, clean),
    [job, settings, stock, tape, picks, minute, clean],
  );
  const best = work.choices[0]!;
  const school = job.bonded?.adhesive ?? kept?.school ?? picked ?? best.school.id;
  const choice = work.choices.find((c) => c.school.id === school)!;
  const liquid = work.liquids.find((l) => l.id === (job.bonded?.itemId ?? picks.liquidId)) ?? work.liquids[0] ?? null;
  const laid = useMemo((): { bead: BeadWork | null; problem: string | null } => {
    if (!isLiquid(school) || !liquid) return { bead: null, problem: null };
    try {
      return { bead: beadWork(job, settings, work.stock, liquid, school, picks, minute), problem: null };
    } catch (e) {
      const problem = problemOf(e);
      if (!problem) throw e;
      return { bead: null, problem };
    }
  }, [job, settings, work.stock, liquid, school, picks, minute]);
  const { bead, problem } = laid;
  const closing = useMemo(() => closingOrder(job.device, job.bond), [job.device, job.bond]);
  const phase = job.bonded
    ? 'closed'
    : !isLiquid(school)
      ? 'tape'
      : job.bead === null
        ? 'plan'
        : job.bead.endAt === null
          ? 'laying'
          : 'open';
  const at = phase === 'laying' && bead ? paceAt(bead.pace, (now - job.bead!.startAt) / 1e3) : null;
  const window = phase === 'open' && bead ? closingWindow(job.bead!.startAt, job.bead!.endAt!, bead.open) : null;
  const late = window !== null && now >= window.untilAt;
  const opensAt = useAlarm(window && !window.shut ? window.fromAt : null, now, 'opens', settings.sound);
  const lastAt = useAlarm(window ? window.untilAt - 20_000 : null, now, 'closes', settings.sound);
  const awake = useAwake(open);

  const screwStop = useScrewGate(job);
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
        sentence: `Closed with ${schoolNames[job.bonded.adhesive]}.`,
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

  const closed = (): NewEvent[] => [
    decide({
      call: 'bond',
      inputs: {
        promiseAt: job.promiseAt,
        school,
        tape: work.tape && { id: work.tape.tape.id, widthMm: work.tape.widthMm },
        liquid: bead && { id: bead.liquid.id, bondMm: bead.bondMm, gapMm: bead.gapMm, tubeC: bead.tubeC },
      },
      computed: work.choices.map((c) => ({ school: c.school.id, cost: c.cost, readyH: c.readyH, blocks: c.blocks })),
      chosen: school,
      ...(school !== best.school.id ? { because: 'another way was chosen on the screen; no reason was given' } : {}),
    }),
    {
      type: 'bonded',
      adhesive: school,
      usedMm: school === 'cutTape' && work.tape ? Math.round(work.tape.plan.rollUsedMm * 10) / 10 : 0,
      widthMm: school === 'cutTape' && work.tape ? work.tape.widthMm : job.bond.widthMm,
      ...(bead
        ? {
            cure: bead.liquid.cure,
            bondMm: Math.min(60, bead.cureMm),
            gapMm: bead.gapMm,
            itemId: bead.liquid.id,
          }
        : { cure: 'tape' as const, ...(school === 'cutTape' && work.tape ? { itemId: work.tape.tape.id } : {}) }),
      used: usedOf(school, job, work.tape, bead),
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
        },
      },
    ]);
  };
  const main = {
    closed: { label: 'Go to cure', act: () => goOn() },
    tape: { label: school === 'cutTape' ? 'Laid and closed' : 'Ring laid and closed', act: () => goOn(closed()) },
    plan: { label: 'Start laying', act: begin },
    laying: { label: 'All of it is laid', act: () => void log([{ type: 'bead', phase: 'end' }]) },
    open: { label: 'Closed and pressed', act: () => goOn(closed()) },
  }[phase];
  const points = closing.press.map((s, i) => ({
    at: work.path.point(s).at,
    text: String(i + 1),
    state: i === 0 ? ('next' as const) : ('todo' as const),
  }));
  const label = {
    cutTape: `${work.tape?.plan.pieces.length ?? 0} pieces of tape on ${job.device.name}`,
    precutRing: `Ring on ${job.device.name}`,
    liquidBead: `Bead in ${bead?.strokes.length ?? 0} strokes on ${job.device.name}`,
    reuseTopup: `Top-up of the old ring on ${job.device.name}`,
    fullFill: `Ring and lines in ${bead?.strokes.length ?? 0} strokes on ${job.device.name}`,
  }[school];
  const lines =
    school === 'cutTape' && work.tape
      ? groupPieces(work.tape.plan.pieces).map((g) => `${g.count} × ${length(g.lengthMm, settings)}: ${g.where}`)
      : bead
        ? bead.strokes.map((s, i) => `stroke ${i + 1} starts at ${s[0]![0].toFixed(0)}, ${s[0]![1].toFixed(0)} mm`)
        : ['ring in one piece, laid from the lower right corner'];
  return (
    <View className="flex-1">
      <Flash on={opensAt.flash} label="Close now" />
      <Flash on={lastAt.flash} label="Last chance to close" />
      <StageShell
        job={job}
        stage="bond"
        now={now}
        caution={cautions[bead ? bead.liquid.cure : 'tape']}
        step={phase}
        large={phase === 'laying'}
        onMain={stop ? undefined : main.act}
        picture={(size) => (
          <PlainPlan job={job} size={size} label={label} lines={lines}>
            {school === 'cutTape' && work.tape ? (
              <>
                <TapeBars pieces={work.tape.plan.pieces} widthMm={work.tape.widthMm} />
                <Soundings
                  items={work.tape.plan.pieces
                    .filter((p) => p.lengthMm > 12)
                    .map((p) => {
                      const mid = [(p.from[0] + p.to[0]) / 2, (p.from[1] + p.to[1]) / 2] as const;
                      const n = work.path.point(work.path.locate(mid)).normal;
                      return {
                        at: [mid[0] - n[0] * 9, mid[1] - n[1] * 6] as const,
                        text: lengthNumber(p.lengthMm, settings, 0),
                        bold: true,
                      };
                    })}
                />
              </>
            ) : bead ? (
              <BeadStrokes
                strokes={bead.strokes}
                laidMm={phase === 'plan' ? 0 : (at?.laidMm ?? Infinity)}
                widthMm={bead.bead.layWidthMm}
              />
            ) : (
              <RingArcs arcs={[{ fromMm: 0, toMm: work.path.lengthMm, state: 'plain' }]} />
            )}
            {work.frame?.badArcs.length && !job.bonded ? (
              <RingArcs arcs={badStretches(job, work.frame, work.path).map((a) => ({ ...a, state: 'dry' as const }))} />
            ) : null}
            {at ? <PaceMark at={at.at} laying={at.laying} /> : null}
            {phase === 'open' ? <Numbers items={points} /> : null}
          </PlainPlan>
        )}
        controls={
          phase === 'tape' || phase === 'plan' ? (
            <SchoolChoice work={work} school={school} onSchool={setPicked} />
          ) : phase === 'open' ? (
            <BeforeClosing job={job} />
          ) : null
        }
        call={<Call {...text} />}
        readings={
          <Readings
            items={
              school === 'cutTape' && work.tape
                ? tapeReadings(work.tape, settings)
                : bead
                  ? beadReadings(bead, choice, settings)
                  : ringReadings(work)
            }
          />
        }
        main={
          phase === 'open' && late ? (
            <HoldButton
              key="late"
              label="Closed over the skin"
              onPress={main.act}
              disabled={lacksTick !== null}
              {...(lacksTick ? { why: lacksTick } : {})}
            />
          ) : (
            <Button
              key={phase}
              kind="main"
              label={main.label}
              onPress={main.act}
              disabled={stop !== null}
              {...(stop ? { why: stop } : {})}
            />
          )
        }
        side={
          phase === 'laying' || phase === 'open' ? (
            <HoldButton kind="side" label="Wiped off" onPress={() => void log([{ type: 'bead', phase: 'off' }])} />
          ) : undefined
        }
      >
        <View className="mt-2">
          <ScrewGate job={job} stop={screwStop} />
          {phase === 'tape' ? <BeforeClosing job={job} /> : null}
          {school === 'cutTape' && work.tape && phase === 'tape' ? (
            <TapeDetails job={job} work={work} tape={work.tape} onTape={(tapeId) => setOwn({ ...own, tapeId })} />
          ) : null}
          {isLiquid(school) && phase === 'plan' && liquid ? (
            <BeadDetails
              job={job}
              work={work}
              school={school}
              liquid={liquid}
              bead={bead}
              picks={picks}
              onPicks={(change) => setOwn({ ...own, ...change })}
            />
          ) : null}
          {job.bonded || phase === 'laying' ? null : (
            <ClosingList job={job} closing={closing} bead={bead} awake={awake} />
          )}
          {phase === 'tape' || phase === 'plan' ? <SchoolTable job={job} work={work} bead={bead} /> : null}
          {job.bonded ? (
            <>
              <RealUse job={job} />
              <OpenAgain job={job} now={now} />
            </>
          ) : null}
          <Why
            job={job}
            call="bond"
            inputs={{ school, rings: work.rings, tape: work.tape?.tape.id, liquid: liquid?.id }}
            computed={{
              cost: choice.cost,
              pieces: work.tape?.plan.pieces.length,
              rollUsedMm: work.tape?.plan.rollUsedMm,
              ml: bead?.ml,
            }}
            notes={[
              'Costs are material, work, the chance of rework and the delay; the figures are the shop’s own and are changed on Stock.',
              ...(bead
                ? [
                    `With ${clock(bead.open.waitS)} to wait and ${clock(bead.open.skinS)} to the skin at this temperature and height. It flows for ${bead.squeeze.timeS === null ? 'ever: it stops by itself first' : `${bead.squeeze.timeS.toFixed(2)} s`} until the gap is reached: the clamps are there for the solvent to leave, not for the flow.`,
                    `Its own stiffness would stop it at ${length(bead.squeeze.stopMm, settings, 2)}; the frame’s ledge stops it at ${length(bead.gapMm, settings, 2)}. Without a ledge, spacers of that height keep it from being pressed out.`,
                  ]
                : []),
            ]}
            rows={whyRows(school, choice, bead)}
          />
        </View>
      </StageShell>
    </View>
  );
}
