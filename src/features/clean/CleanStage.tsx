import { jointOf } from '@/core/device/jointKinds';
import { Link, useRouter, type Href } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';

import { airFilmMm, dryMargin, filmUm } from '@/core/alcohol/drying';
import { adhesiveRecord } from '@/core/adhesives';
import { crumbLimitMm, crumbRule, lastingShare, swallowedMm, type CrumbInput } from '@/core/clean/crumb';
import { coolC, dryWithinMm, methodsFor, scraperDeg, warmFromC, zoneStates, type ZoneState } from '@/core/clean/zones';
import { firstTrue } from '@/core/heat/forecast';
import { heatModelled } from '@/core/device/thermalStack';
import { bondPerimeter, coverOf } from '@/core/device/perimeter';
import { coverStrengths } from '@/core/lift/strength';
import type { NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import { useActions } from '@/stagekit/actions';
import { lacksOf, type ZoneNow } from '@/stagekit/cleanJob';
import { lensWork } from '@/stagekit/lensJob';
import { PlainPlan } from '@/stagekit/PlainPlan';
import { StageShell } from '@/stagekit/StageShell';
import { placeName, thermalJob } from '@/stagekit/thermalJob';
import { useGoOn } from '@/stagekit/useGoOn';
import { useThermal } from '@/stagekit/useThermal';
import { rowOf, Why } from '@/stagekit/Why';
import { useSettings } from '@/store/shop';
import { capital } from '@/ui/capital';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Choice, Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Numbers, RingArcs, Shards } from '@/ui/plan/layers';
import { Readings } from '@/ui/Readings';
import { clock, length, temp, tempNumber } from '@/ui/units';
import { useNow } from '@/ui/useNow';
import { Crumb } from './Crumb';
import { arcLook, lackWords, methodWords, stateNames } from './words';

const caution =
  'Alcohol is flammable: plate and every other heat source off and away before a wipe is wet, air the room. Splinters: brush and tape, no bare hand. Dust of glue and glass: wet or masked. Wipes go to the solvent waste.';

/** From soft residue to a bare frame: zone by zone, dry near cameras, cool before anything wet. */
export function CleanStage({ job }: { job: JobState }) {
  const settings = useSettings();
  const units = settings;
  const now = useNow(1000);
  const router = useRouter();
  const { log } = useActions(job);
  const goOn = useGoOn(job, 'clean');
  const [side, setSide] = useState<'frame' | 'cover'>('frame');
  const source = useThermal(job.device, job.bond);
  const path = useMemo(() => bondPerimeter(job.device, job.bond), [job.device, job.bond]);
  const thermal = useMemo(
    () =>
      source.model && job.heat.length && heatModelled(job.device, job.bond)
        ? thermalJob(job, settings, source.model, 0)
        : null,
    [source.model, job, settings],
  );
  const roomC = job.ambientC ?? settings.roomC;
  const nowS = thermal ? (now - thermal.t0) / 1e3 : 0;
  const frameC = thermal ? Math.max(...thermal.run.arcsC(nowS, thermal.arcs).map((r) => r.high)) : roomC;
  // looked at every half minute
  const lookS = Math.floor(nowS / 30) * 30;
  const coolAtS = useMemo(
    () =>
      thermal
        ? firstTrue(
            (t) => Math.max(...thermal.run.arcsC(t, thermal.arcs).map((r) => r.high)) <= coolC.value,
            lookS,
            lookS + 7200,
            120,
          )
        : null,
    [thermal, lookS],
  );
  const facts = lacksOf(job, now, frameC, roomC);
  const cool = frameC <= coolC.value;
  const zones = side === 'cover' && facts.cover ? facts.cover : facts.frame;
  const place = (z: ZoneNow['zone']) =>
    z.stretch
      ? placeName(path, (z.stretch.fromMm + z.stretch.toMm) / 2)
      : jointOf(job.bond).band
        ? (lensWork(job).chosen[z.index]?.face.name ?? 'spot')
        : `middle, ${length(z.at[0], units, 0)} from the left, ${length(z.at[1], units, 0)} from the top`;

  const bead = job.route?.closedBy === 'bead';
  const lacks = bead ? facts.liquid : facts.tape;
  const dirty = zones.find((z) => z.state === 'glass') ?? zones.find((z) => z.state === 'residue') ?? null;
  const wet = zones.filter((z) => z.dryAtMs !== null && now < z.dryAtMs);
  const toLookAt = zones.filter((z) => z.state === 'dry' || z.state === 'wet');
  const bare = zones.filter((z) => z.state === 'inspected' || z.state === 'film').length;
  // a drop that was let through the interlock may be wiped with for ten minutes
  const moist = job.alcohol.some((a) => a.use === 'wipe' && now - a.at < 600_000);
  const put = (z: ZoneNow, state: ZoneState): NewEvent[] => [
    { type: 'cleanZone', on: side, index: z.zone.index, state, tC: Math.round(Math.min(frameC, 199) * 10) / 10 },
    ...(state !== 'glass' ? z.shards.map((markId): NewEvent => ({ type: 'glassGone', markId })) : []),
  ];
  const otherDirty =
    facts.cover &&
    (side === 'frame' ? facts.cover : facts.frame).some((z) => z.state === 'residue' || z.state === 'glass');

  const cover = coverOf(job.device, job.bond);
  const crumbIn: CrumbInput = {
    cover: coverStrengths[cover.strength] ?? coverStrengths.glassPlain!,
    hMm: cover.hMm,
    flawUm: (coverStrengths[cover.strength] ?? coverStrengths.glassPlain!).flawUm.value,
    kNmm3: adhesiveRecord('cutTape').debond.kNmm3.value,
    ringMm: job.bond.widthMm,
    gapMm: job.bond.gapMm,
    joint: bead ? null : (adhesiveRecord('cutTape').joint ?? null),
  };
  const crumbMm = crumbLimitMm(crumbIn);

  const text = ((): { sentence: string; reason: string; tone: 'ink' | 'caution' } => {
    if (dirty) {
      const how = methodsFor(dirty.zone, dirty.state, frameC).map((m) => methodWords[m]);
      return {
        sentence: `${dirty.zone.index + 1}, ${place(dirty.zone)}: ${dirty.state === 'glass' ? 'glass out' : 'residue off'}${dirty.zone.dry ? ', dry' : ''}.`,
        reason: `${capital(how.join('; '))}. ${dirty.zone.dry ? 'A droplet on a lens leaves haze.' : 'Over residue tape lifts months later.'}`,
        tone: 'ink',
      };
    }
    if (otherDirty)
      return {
        sentence: side === 'frame' ? 'The cover has its own residue.' : 'The frame is not clean yet.',
        reason:
          side === 'frame' ? 'It goes on again, so it is cleaned like the frame.' : 'Both sides of the new bond count.',
        tone: 'ink',
      };
    if (wet.length) {
      const till = Math.max(...wet.map((z) => z.dryAtMs!));
      return {
        sentence: `Dry in ${clock((till - now) / 1e3)}.`,
        reason: `${wet.length} ${wet.length === 1 ? 'zone is' : 'zones are'} wet. No heat, no adhesive before.`,
        tone: 'ink',
      };
    }
    if (toLookAt.length)
      return {
        sentence: 'Look along it at a glancing angle.',
        reason: `Light from the side, ${toLookAt.length} ${toLookAt.length === 1 ? 'zone' : 'zones'}: what shines is film, what throws a shadow is a crumb.`,
        tone: 'ink',
      };
    if (!job.prep.has('crumbsGone'))
      return {
        sentence: 'Look for crumbs along the ledge.',
        reason: `Over ${length(crumbMm, units, 2)} the new glass cracks under ${bead ? 'a bead' : 'tape'}. Common practice: a single crumb is enough.`,
        tone: 'ink',
      };
    if (!job.prep.has('lensesBlown'))
      return { sentence: 'Blow off the lenses.', reason: 'Lint under the glass shows in every picture.', tone: 'ink' };
    if (!cool)
      return {
        sentence: `Let it cool: ${clock(Math.max(0, (coolAtS ?? nowS) - nowS))} to ${temp(coolC.value, units)}.`,
        reason: 'Tape, alcohol and dry fit want a cool frame.',
        tone: 'ink',
      };
    if (lacks.includes('film'))
      return {
        sentence: 'Clean enough for a bead, not for tape.',
        reason:
          'A film that does not rub off bears liquid; tape lifts off it. Take the film off, or change the way of bonding.',
        tone: 'caution',
      };
    return {
      sentence: facts.tape.length ? 'Clean enough for a bead.' : 'Clean and cool: go on.',
      reason: facts.tape.length ? 'Not for tape: a film stays.' : 'Good for tape and for a bead.',
      tone: 'ink',
    };
  })();
  const main = ((): { label: string; act: () => void; why: string | null } => {
    if (dirty?.state === 'glass')
      return { label: `${dirty.zone.index + 1}: glass is out`, act: () => void log(put(dirty, 'residue')), why: null };
    if (dirty)
      return { label: `${dirty.zone.index + 1} is wiped dry`, act: () => void log(put(dirty, 'dry')), why: null };
    if (otherDirty)
      return {
        label: side === 'frame' ? 'Now the cover' : 'Back to the frame',
        act: () => setSide(side === 'frame' ? 'cover' : 'frame'),
        why: null,
      };
    if (toLookAt.length && !wet.length)
      return {
        label: 'All bare at a glance',
        act: () =>
          void log([...toLookAt.flatMap((z) => put(z, 'inspected')), { type: 'prep', item: 'glanced', done: true }]),
        why: null,
      };
    const first = lacks.find((l) => l !== 'crumbs' && l !== 'lenses') ?? lacks[0];
    return { label: 'Clean and cool', act: () => goOn(), why: first ? lackWords[first] : null };
  })();
  const wipe = dirty && dirty.state === 'residue' && !dirty.zone.dry;
  return (
    <StageShell
      job={job}
      stage="clean"
      now={now}
      caution={caution}
      onMain={main.why ? undefined : main.act}
      picture={(size) => (
        <PlainPlan
          job={job}
          size={size}
          label={`${bare} of ${zones.length} zones bare, ${side}`}
          lines={zones.map(
            (z) => `${z.zone.index + 1}, ${place(z.zone)}: ${stateNames[z.state]}${z.zone.dry ? ', dry only' : ''}`,
          )}
        >
          <RingArcs
            arcs={zones.flatMap((z) =>
              z.zone.stretch
                ? [{ fromMm: z.zone.stretch.fromMm + 1, toMm: z.zone.stretch.toMm - 1, state: arcLook[z.state] }]
                : [],
            )}
          />
          <Shards at={side === 'frame' ? [...job.glassLeft.values()] : []} />
          <Numbers
            items={zones.map((z) => {
              const p = path.point(path.locate(z.zone.at));
              const at = z.zone.stretch
                ? ([z.zone.at[0] - p.normal[0] * 9, z.zone.at[1] - p.normal[1] * 9] as const)
                : z.zone.at;
              const done = z.state === 'inspected' || z.state === 'film';
              return {
                at,
                text: done ? '✓' : String(z.zone.index + 1),
                state: done ? ('done' as const) : z === dirty ? ('next' as const) : ('todo' as const),
              };
            })}
          />
        </PlainPlan>
      )}
      call={<Call {...text} />}
      readings={
        <Readings
          items={[
            {
              id: 'left',
              value: `${bare} / ${zones.length}`,
              label: `zones bare on the ${side}`,
              tone: bare < zones.length ? 'ink' : 'go',
            },
            {
              id: 'cool',
              value: `${tempNumber(frameC, units)}°`,
              label: `frame, at most. Alcohol and tape below ${tempNumber(coolC.value, units)}°${thermal ? '' : ' (not heated here)'}`,
              tone: cool ? 'go' : 'caution',
            },
            {
              id: 'crumb',
              value: length(crumbMm, units, 2),
              label: `highest crumb the glass bears for months under ${bead ? 'a bead' : 'tape'}`,
            },
            {
              id: 'for',
              value: facts.tape.length ? (facts.liquid.length ? 'no' : 'bead') : 'tape, bead',
              label: facts.tape.length
                ? `clean enough for. ${capital(lackWords[(facts.liquid[0] ?? facts.tape[0])!])}`
                : 'clean enough for',
              tone: facts.tape.length ? 'ink' : 'go',
            },
          ]}
        />
      }
      main={
        <Button
          kind="main"
          label={main.label}
          onPress={main.act}
          disabled={main.why !== null}
          {...(main.why ? { why: main.why } : {})}
        />
      }
      side={
        wipe ? (
          moist && cool ? (
            <Button label={`${dirty.zone.index + 1} wiped wet`} onPress={() => void log(put(dirty, 'wet'))} />
          ) : (
            <Button label="Alcohol" onPress={() => router.push(`/jobs/${job.id}/alcohol` as Href)} />
          )
        ) : undefined
      }
    >
      <View className="mt-2">
        {facts.cover ? (
          <Choice
            label="Side of the bond"
            value={side}
            options={[
              { id: 'frame', name: 'Frame' },
              { id: 'cover', name: 'Cover' },
            ]}
            onChange={setSide}
            hint={
              job.keepCover
                ? 'The cover goes on again: its own old adhesive comes off too.'
                : 'A pulled part has its own old adhesive.'
            }
          />
        ) : null}
        <Disclosure title="Zones one by one" open={zones.length <= 12}>
          {zones.map((z) => (
            <Choice
              key={z.zone.index}
              label={`${z.zone.index + 1}, ${place(z.zone)}${z.zone.dry ? ' (dry only)' : ''}`}
              value={z.state}
              options={zoneStates
                .filter((s) => s !== 'wet' || (!z.zone.dry && moist && cool) || z.state === 'wet')
                .map((s) => ({ id: s, name: stateNames[s] }))}
              onChange={(s) => void log(put(z, s))}
              hint={
                z.dryAtMs !== null && now < z.dryAtMs
                  ? `dry in ${clock((z.dryAtMs - now) / 1e3)}`
                  : methodsFor(z.zone, z.state, frameC)
                      .map((m) => methodWords[m])
                      .join('; ')
              }
            />
          ))}
        </Disclosure>
        <Tick
          label="No crumbs on the ledge"
          on={job.prep.has('crumbsGone')}
          onChange={(v) => void log([{ type: 'prep', item: 'crumbsGone', done: v }])}
        />
        <Tick
          label="Lenses blown off"
          on={job.prep.has('lensesBlown')}
          onChange={(v) => void log([{ type: 'prep', item: 'lensesBlown', done: v }])}
        />
        <Tick
          label="Looked over at a glancing angle"
          on={job.prep.has('glanced')}
          onChange={(v) => void log([{ type: 'prep', item: 'glanced', done: v }])}
        />
        <Crumb input={crumbIn} units={units} />
        <Link href={`/jobs/${job.id}/alcohol` as Href} className="font-body text-m text-ink underline py-2">
          Alcohol: interlock, dose, air
        </Link>
        <Why
          job={job}
          call="clean"
          inputs={{ zones: facts.frame.map((z) => z.state), frameC }}
          computed={{ tape: facts.tape, liquid: facts.liquid, crumbMm }}
          notes={[
            `For tape: ${facts.tape.length ? facts.tape.map((l) => lackWords[l]).join(', ') : 'nothing lacks'}. For a bead: ${facts.liquid.length ? facts.liquid.map((l) => lackWords[l]).join(', ') : 'nothing lacks'}.`,
            'A film that does not rub off: one school takes it off for everything, another leaves it under a bead. Northcove lets a bead go on, tape not.',
            `The crumb’s stress is the ring’s own bending law with one point lifted: a numerical estimate; ${length(swallowedMm(crumbIn), units, 2)} of it disappears in the ${bead ? 'bead' : 'tape'}.`,
          ]}
          rows={[
            rowOf('Dry only within', dryWithinMm, 'mm'),
            rowOf('Cool enough', coolC, '°C'),
            rowOf('Residue rolls off from', warmFromC, '°C'),
            rowOf('Crumbs', crumbRule, ''),
            rowOf('Glass under lasting stress', lastingShare, '×'),
            rowOf('Film that a wipe leaves', filmUm, 'µm'),
            rowOf('Still air over it', airFilmMm, 'mm'),
            rowOf('Drying slowed by its own cooling', dryMargin, '×'),
            rowOf('Scraper on soft metal', scraperDeg.soft, '°'),
          ]}
        />
      </View>
    </StageShell>
  );
}
