import { Link, type Href } from 'expo-router';
import { View } from 'react-native';

import { airFilmMm, dryMargin, filmUm } from '@/core/alcohol/drying';
import { crumbRule, lastingShare, swallowedMm } from '@/core/clean/crumb';
import { coolC, dryWithinMm, methodsFor, scraperDeg, warmFromC, zoneStates, type ZoneState } from '@/core/clean/zones';
import type { NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import type { ZoneNow } from '@/work/clean/cleanJob';
import { rowOf, Why } from '@/bench-kit/Why';
import { Choice, Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { clock, length } from '@/words/units';
import type { Cleaning, Side } from './cleanCall';
import { Crumb } from './Crumb';
import { lackWords, methodWords, stateNames } from './words';

interface CleanBelowProps {
  job: JobState;
  units: Settings;
  now: number;
  frameC: number;
  c: Cleaning;
  setSide: (s: Side) => void;
  put: (z: ZoneNow, state: ZoneState) => NewEvent[];
  log: (list: readonly NewEvent[]) => Promise<unknown>;
}

/** Under the buttons: the side, each zone, the looks that are asked for, why. */
export function CleanBelow({ job, units, now, frameC, c, setSide, put, log }: CleanBelowProps) {
  const { side, facts, cool, zones, place, moist, crumbIn } = c;
  return (
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
      <CleanWhy job={job} units={units} frameC={frameC} c={c} />
    </View>
  );
}

/** What the call stands on. */
function CleanWhy({ job, units, frameC, c }: Pick<CleanBelowProps, 'job' | 'units' | 'frameC' | 'c'>) {
  const { facts, bead, crumbIn, crumbMm } = c;
  return (
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
  );
}
