import { useMemo, useState } from 'react';
import { View } from 'react-native';

import { chooseSchool, type Block, type School } from '@/core/bond/schools';
import { kerfMm, sagMm, tapeGaps, tapePlan } from '@/core/bond/tapePlan';
import { bondPerimeter, coverOf } from '@/core/device/perimeter';
import type { JobState } from '@/model/fold';
import { useActions } from '@/stagekit/actions';
import { PlainPlan } from '@/stagekit/PlainPlan';
import { ScrewGate, useScrewGate } from '@/stagekit/ScrewGate';
import { StageShell } from '@/stagekit/StageShell';
import { useGoOn } from '@/stagekit/useGoOn';
import { rowOf, Why } from '@/stagekit/Why';
import { useJobs, useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Choice } from '@/ui/Choice';
import { RingArcs, Soundings, TapeBars } from '@/ui/plan/layers';
import { Readings } from '@/ui/Readings';
import { Txt } from '@/ui/Txt';
import { length, lengthNumber } from '@/ui/units';
import { useNow } from '@/ui/useNow';
import { LensBond } from './LensBond';

const caution =
  'Sharp blade and glass edges: gloves, cut away from the hand. Cameras and microphones stay clear of adhesive.';

export const schoolNames: Record<School['id'], string> = {
  precutRing: 'new pre-cut ring',
  cutTape: 'tape cut in strips',
};
const blockWords: Record<Block, string> = {
  notInStock: 'not in stock',
  gapVariation: 'gap varies more than it takes',
  notReadyInTime: 'not ready before the promise',
};
const consequence: Record<School['id'], string> = {
  precutRing: 'quickest to lay, clean rework; the only one after which a seal measurement is even discussed',
  cutTape: 'always at hand, cheap; joints at the corners leak, no seal measurement is offered',
};
const cornerNames: Record<string, string> = {
  bottomRight: 'lower right corner',
  topRight: 'upper right corner',
  topLeft: 'upper left corner',
  bottomLeft: 'lower left corner',
};

const isLens = (job: JobState) => ['lensInRing', 'frameLens'].includes(job.face.construction);

export function BondStage({ job }: { job: JobState }) {
  return isLens(job) ? <LensBond job={job} /> : <RingBond job={job} />;
}

function RingBond({ job }: { job: JobState }) {
  const settings = useSettings();
  const units = settings;
  const now = useNow(10_000);
  const { decide } = useActions(job);
  const goOn = useGoOn(job, 'bond');
  const jobs = useJobs();
  const cover = coverOf(job.device, job.bond);
  const path = useMemo(() => bondPerimeter(job.device, job.bond), [job.device, job.bond]);
  const used = jobs.reduce(
    (s, j) => s + (j.bonded?.adhesive === 'cutTape' && j.bonded.at > settings.tape.countedAt ? j.bonded.usedMm : 0),
    0,
  );
  const rollMm = Math.max(0, settings.tape.rollMm - used);
  const ringUsed = jobs.filter(
    (j) => j.bonded?.adhesive === 'precutRing' && j.device.id === job.device.id && !isLens(j),
  ).length;
  const rings = Math.max(0, (settings.ringsInStock[job.device.id] ?? 0) - ringUsed);
  const widthMm = Math.min(settings.tape.widthMm, job.bond.widthMm);
  const plan = useMemo(
    () =>
      tapePlan(
        cover.outline,
        job.bond.insetMm + (job.bond.widthMm - widthMm) / 2,
        widthMm,
        tapeGaps(cover.outline, path, job.bond.gaps),
        rollMm,
      ),
    [cover.outline, job.bond, widthMm, path, rollMm],
  );
  const gaps = Object.values(job.gaps);
  const gapVariationMm = null; // bond-line map of a bent frame comes with its seat heights; edge gaps say nothing about it
  const hoursLeft = job.promiseAt === null ? null : (job.promiseAt - now) / 3600e3;
  const choices = chooseSchool({
    ringInStock: rings > 0,
    gapVariationMm,
    hoursLeft,
    ratePerH: settings.ratePerH,
    reworkCost: settings.reworkCost,
  });
  const best = choices[0]!;
  const [picked, setPicked] = useState<School['id'] | null>(null);
  const school = job.bonded?.adhesive ?? picked ?? best.school.id;
  const choice = choices.find((c) => c.school.id === school)!;
  const groups = groupPieces(plan.pieces);
  const short = school === 'cutTape' && plan.jobsLeft < 1;
  const bent = job.findings.bent?.answer === 'yes';
  const text =
    school === 'cutTape'
      ? {
          sentence: short
            ? `The roll is too short: ${length(plan.rollUsedMm, units, 0)} needed.`
            : `Cut ${plan.pieces.length} pieces, ${length(plan.rollUsedMm, units, 0)} of tape.`,
          reason: short
            ? `${length(rollMm, units, 0)} left. Open a new roll and count it in Shop.`
            : `${plan.scheme === 'facet' ? `${plan.facetsPerCorner} chords a corner, mitred ${plan.mitreDeg.straight.toFixed(1)}° and ${plan.mitreDeg.facet.toFixed(0)}°.` : 'Square butt joints.'} No overlap: a double layer is a bump.${plan.brokenRing ? ' Open where the vent is.' : ''}`,
          tone: short ? ('caution' as const) : ('ink' as const),
        }
      : {
          sentence: rings > 0 ? 'Lay the new ring from one corner.' : 'No ring for this device in stock.',
          reason:
            rings > 0
              ? 'One corner, along one edge, the rest follows; press, then peel the liner. Cameras and microphones stay clear.'
              : 'Take cut tape, or wait for the part.',
          tone: rings > 0 ? ('ink' as const) : ('caution' as const),
        };
  const screwStop = useScrewGate(job);
  const blocked = short || (school === 'precutRing' && rings < 1 && !job.bonded) || screwStop !== null;
  const layDown = () =>
    goOn([
      decide({
        call: 'bond',
        inputs: { promiseAt: job.promiseAt, rings, rollMm, widthMm },
        computed: choices.map((c) => ({ school: c.school.id, cost: c.cost, blocks: c.blocks })),
        chosen: school,
        ...(school !== best.school.id ? { because: 'another way was chosen on the screen; no reason was given' } : {}),
      }),
      {
        type: 'bonded',
        adhesive: school,
        usedMm: school === 'cutTape' ? Math.round(plan.rollUsedMm * 10) / 10 : 0,
        widthMm,
      },
    ]);
  return (
    <StageShell
      job={job}
      stage="bond"
      now={now}
      caution={caution}
      onMain={blocked ? undefined : layDown}
      picture={(size) => (
        <PlainPlan
          job={job}
          size={size}
          label={
            school === 'cutTape'
              ? `${plan.pieces.length} pieces of tape on ${job.device.name}`
              : `Ring on ${job.device.name}`
          }
          lines={
            school === 'cutTape'
              ? groups.map((g) => `${g.count} × ${length(g.lengthMm, units)}: ${g.where}`)
              : ['ring in one piece, laid from the lower right corner']
          }
        >
          {school === 'cutTape' ? (
            <>
              <TapeBars pieces={plan.pieces} widthMm={widthMm} />
              <Soundings
                items={plan.pieces
                  .filter((p) => p.lengthMm > 12)
                  .map((p) => {
                    const at = [(p.from[0] + p.to[0]) / 2, (p.from[1] + p.to[1]) / 2] as const;
                    const inward = path.point(path.locate(at)).normal;
                    return {
                      at: [at[0] - inward[0] * 9, at[1] - inward[1] * 6] as const,
                      text: lengthNumber(p.lengthMm, units, 0),
                      bold: true,
                    };
                  })}
              />
            </>
          ) : (
            <RingArcs arcs={[{ fromMm: 0, toMm: path.lengthMm, state: 'plain' }]} />
          )}
        </PlainPlan>
      )}
      call={<Call {...text} />}
      readings={
        <Readings
          items={
            school === 'cutTape'
              ? [
                  {
                    id: 'len',
                    value: length(plan.lengthMm, units, 0),
                    label: `${length(widthMm, units)} wide, ${length(plan.rollUsedMm - plan.lengthMm, units)} lost at cuts`,
                  },
                  {
                    id: 'left',
                    value: `${plan.jobsLeft}`,
                    label: `jobs like this left on the roll (${length(rollMm, units, 0)})`,
                    tone: plan.jobsLeft < 2 ? 'caution' : 'ink',
                  },
                ]
              : [
                  {
                    id: 'rings',
                    value: `${rings}`,
                    label: 'rings for this device in stock',
                    tone: rings < 1 ? 'caution' : 'ink',
                  },
                ]
          }
        />
      }
      main={
        <Button
          kind="main"
          label={school === 'cutTape' ? 'Laid and closed' : 'Ring laid and closed'}
          onPress={layDown}
          disabled={blocked}
          {...(blocked ? { why: screwStop ?? (short ? 'not enough tape' : 'no ring in stock') } : {})}
        />
      }
    >
      <View className="mt-2">
        <ScrewGate job={job} stop={screwStop} />
        {bent ? (
          <Txt size="s" tone="caution" className="mb-2">
            Bent frame: tape bridges only about a fifth of its thickness. Where the seat is low it will not touch; agree
            on that before closing.
          </Txt>
        ) : null}
        <Choice
          label="Way of bonding"
          value={school}
          options={choices.map((c) => ({ id: c.school.id, name: schoolNames[c.school.id] }))}
          onChange={setPicked}
          hint={`${schoolNames[best.school.id]} is proposed: ${best.blocks.length ? 'least in the way' : `nothing against it, cheapest at ${best.cost.toFixed(1)} with work and rework`}.`}
        />
        {choices.map((c) => (
          <Txt key={c.school.id} size="s" className="mb-1">
            {schoolNames[c.school.id]}: {consequence[c.school.id]}; takes{' '}
            {length(c.school.gapVariationMm.value, units, 2)} of uneven gap; about {c.cost.toFixed(1)} in all
            {c.blocks.length ? `; against it: ${c.blocks.map((b) => blockWords[b]).join(', ')}` : ''}.
          </Txt>
        ))}
        {school === 'cutTape' ? (
          <View role="table" aria-label="Cut list" className="mt-2">
            {groups.map((g) => (
              <View role="row" key={`${g.where}${g.lengthMm}`} className="flex-row border-b border-rule py-1">
                <View role="cell" className="w-[60px]">
                  <Txt num strong>
                    {g.count} ×
                  </Txt>
                </View>
                <View role="cell" className="w-[100px]">
                  <Txt num strong>
                    {length(g.lengthMm, units)}
                  </Txt>
                </View>
                <View role="cell" className="flex-1">
                  <Txt size="s" tone="ink2">
                    {g.where}
                  </Txt>
                </View>
              </View>
            ))}
          </View>
        ) : null}
        <Txt size="s" className="mt-2">
          Close: camera opening first, then the far end. Blow over the lenses once more just before. Press round with a
          cloth, not over board or display. Look along the surface: a bump means something is trapped, open and find it.
        </Txt>
        <Why
          job={job}
          call="bond"
          inputs={{ school, rings, rollMm, hoursLeft, gaps: gaps.length }}
          computed={{ pieces: plan.pieces.length, rollUsedMm: plan.rollUsedMm, cost: choice.cost }}
          notes={['Costs are material, work and the chance of rework; figures are the shop’s own and can be changed.']}
          rows={[
            rowOf('Chord may leave the corner by', sagMm, 'mm'),
            rowOf('Lost at every cut', kerfMm, 'mm'),
            rowOf('Rework chance of this way', choice.school.reworkChance, ''),
            rowOf('Work', choice.school.hours, 'h'),
          ]}
        />
      </View>
    </StageShell>
  );
}

/** Equal pieces together: what is read out while cutting. */
function groupPieces(pieces: readonly { where: string; lengthMm: number }[]) {
  const groups: { where: string; lengthMm: number; count: number }[] = [];
  for (const p of pieces) {
    const corner = cornerNames[p.where] !== undefined;
    const where = corner ? 'corners' : `${p.where} edge`;
    const same = groups.find(
      (g) => Math.abs(g.lengthMm - p.lengthMm) < 0.05 && (g.where === where || (!corner && g.where !== 'corners')),
    );
    if (same) {
      same.count++;
      if (same.where !== where && !same.where.includes(where)) same.where = `${same.where}, ${where}`;
    } else groups.push({ where, lengthMm: p.lengthMm, count: 1 });
  }
  return groups;
}
