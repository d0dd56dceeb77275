import { addDays } from 'date-fns/addDays';
import { set } from 'date-fns/set';
import { View } from 'react-native';

import { earliestCollectionS } from '@/core/intake/collection';
import { tapeMarks } from '@/core/cure/tapeDwell';
import { chipFlawUm } from '@/core/lift/strength';
import { commonPractice } from '@/core/source';
import type { Answer, JobState } from '@/model/fold';
import { useActions } from '@/stagekit/actions';
import { FunctionList } from '@/stagekit/FunctionList';
import { PlainPlan } from '@/stagekit/PlainPlan';
import { StageShell } from '@/stagekit/StageShell';
import { edgeName } from '@/stagekit/thermalJob';
import { useGoOn } from '@/stagekit/useGoOn';
import { rowOf, Why } from '@/stagekit/Why';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Choice, Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { NumberField } from '@/ui/NumberField';
import { RingArcs } from '@/ui/plan/layers';
import { bondPerimeter } from '@/core/device/perimeter';
import { Readings } from '@/ui/Readings';
import { TimeField } from '@/ui/TimeField';
import { Txt } from '@/ui/Txt';
import { dayTime, length, span, temp, time } from '@/ui/units';
import { useNow } from '@/ui/useNow';
import { intakeCall, missingAtIntake, roundUp15 } from './intakeCall';

const yesNo = [
  { id: 'no', name: 'No' },
  { id: 'unsure', name: 'Unsure' },
  { id: 'yes', name: 'Yes' },
] as const;

/** Charge above which heating asks for a reason. */
const chargeLimit = commonPractice(35, 'about a third or less before heat');

const caution =
  'Cracked glass: eye cover, gloves, tape over it. A swollen, bent or punctured cell is never heated or refitted.';

export function IntakeStage({ job }: { job: JobState }) {
  const settings = useSettings();
  const now = useNow(5000);
  const { log } = useActions(job);
  const goOn = useGoOn(job, 'intake');
  const done = new Set(
    Object.entries(job.stages)
      .filter(([, s]) => s === 'done' || s === 'skipped')
      .map(([id]) => id),
  );
  const cureElapsed = job.clampOn ? (now - job.clampOn.at) / 1e3 : null;
  const earliest = earliestCollectionS(done, settings.roomC, cureElapsed);
  const text = intakeCall(job, earliest, now);
  const missing = missingAtIntake(job);
  const swollen = job.findings.cellSwollen?.answer === 'yes';
  const honest = roundUp15(now + earliest.high * 1e3);
  const path = bondPerimeter(job.device, job.bond);
  const find = (kind: 'chip' | 'bent' | 'cellSwollen' | 'crack') => (answer: Answer) =>
    void log([
      { type: 'finding', kind, answer, ...(kind === 'crack' ? { edges: job.findings.crack?.edges ?? [] } : {}) },
    ]);
  const cracked = job.findings.crack?.edges ?? [];
  const toggleEdge = (edge: (typeof cracked)[number]) =>
    void log([
      {
        type: 'finding',
        kind: 'crack',
        answer: 'yes',
        edges: cracked.includes(edge) ? cracked.filter((e) => e !== edge) : [...cracked, edge],
      },
    ]);
  const ready = missing.length === 0 && !swollen;
  return (
    <StageShell
      job={job}
      stage="intake"
      now={now}
      caution={caution}
      onMain={ready ? () => goOn() : undefined}
      picture={(size) => (
        <PlainPlan
          job={job}
          size={size}
          label={`${job.device.name}, cracked at ${cracked.length ? cracked.map(edgeName).join(', ') : 'no edge noted'}`}
          lines={[
            ...cracked.map((e) => `cracked at the ${edgeName(e)}`),
            ...job.device.parts.filter((p) => p.removable).map((p) => p.name),
            ...job.device.cables.map(
              (c) => `${c.name} crosses to the cover, ${length(c.slackMm, settings, 0)} of slack`,
            ),
          ]}
        >
          <RingArcs arcs={cracked.map((e) => ({ ...path.edgeSpan(e), state: 'dry' as const }))} />
        </PlainPlan>
      )}
      call={<Call {...text} />}
      readings={
        <Readings
          items={[
            {
              id: 'promise',
              value: job.promiseAt ? time(job.promiseAt) : 'none',
              label: 'promised',
              tone: job.promiseAt && job.promiseAt < honest ? 'caution' : 'ink',
            },
            {
              id: 'honest',
              value: time(honest),
              label: `earliest honest collection${dayTime(honest, now) === time(honest) ? '' : `, ${dayTime(honest, now)}`}`,
            },
            {
              id: 'work',
              value: span(earliest.mean),
              label: `most likely from now, ${span(earliest.low)} to ${span(earliest.high)}`,
            },
            {
              id: 'charge',
              value: job.chargePercent === null ? '–' : `${job.chargePercent} %`,
              label: `charge, a third or less before heat`,
              tone: (job.chargePercent ?? 0) > chargeLimit.value ? 'caution' : 'ink',
            },
          ]}
        />
      }
      main={
        <Button
          kind="main"
          label="Go to heat"
          onPress={() => goOn()}
          disabled={!ready}
          {...(ready ? {} : { why: swollen ? 'swollen cell' : `open: ${missing[0]}` })}
        />
      }
    >
      <View className="mt-3">
        <Choice
          label="Cell swollen, bent or smelling?"
          value={job.findings.cellSwollen?.answer ?? null}
          options={yesNo.filter((o) => o.id !== 'unsure')}
          onChange={find('cellSwollen')}
          hint="Glass or display pushed up, a gap, a device that rocks: count it as yes."
        />
        <Choice
          label="Chips at the edge?"
          value={job.findings.chip?.answer ?? null}
          options={yesNo}
          onChange={find('chip')}
          hint={`Decides more than anything whether a cover survives. Unsure counts as a ${chipFlawUm.unsure.value} µm flaw.`}
        />
        <Choice
          label="Frame bent or split?"
          value={job.findings.bent?.answer ?? null}
          options={yesNo}
          onChange={find('bent')}
        />
        <Choice
          label="The cover"
          value={job.keepCover ? 'keep' : 'new'}
          options={[
            { id: 'new', name: 'New back glass' },
            { id: 'keep', name: 'Save the old one' },
          ]}
          onChange={(v) => void log([{ type: 'route', keepCover: v === 'keep' }])}
        />
        <Txt strong className="mb-1">
          Cracked at
        </Txt>
        <View className="flex-row flex-wrap gap-x-4 mb-2">
          {(['top', 'left', 'right', 'bottom'] as const).map((e) => (
            <View key={e} className="w-[45%]">
              <Tick label={edgeName(e)} on={cracked.includes(e)} onChange={() => toggleEdge(e)} />
            </View>
          ))}
        </View>
        <NumberField
          label="State of charge"
          unit="%"
          low={0}
          high={100}
          value={job.chargePercent}
          onCommit={(v) => void log([{ type: 'charge', percent: v }])}
        />
        <Tick
          label="Power is off"
          on={job.prep.has('powerOff')}
          onChange={(v) => void log([{ type: 'prep', item: 'powerOff', done: v }])}
        />
        <Tick
          label="Card tray is out"
          note="Left in, it blocks or breaks something later."
          on={job.prep.has('trayOut')}
          onChange={(v) => void log([{ type: 'prep', item: 'trayOut', done: v }])}
        />
        <TimeField
          label="Promised for"
          value={job.promiseAt}
          onCommit={(h, m) => {
            const today = set(now, { hours: h, minutes: m, seconds: 0, milliseconds: 0 }).getTime();
            void log([{ type: 'promise', promiseAt: today < now ? addDays(today, 1).getTime() : today }]);
          }}
        />
        <Disclosure title={`Works before? ${Object.keys(job.functions.before).length} noted`}>
          <FunctionList job={job} phase="before" short />
        </Disclosure>
        <Why
          job={job}
          call="intake"
          inputs={{ findings: job.findings, chargePercent: job.chargePercent, promiseAt: job.promiseAt }}
          computed={{ earliestS: earliest }}
          notes={[
            `Hands-on stages add up as independent durations; the tape needs ${Math.round(tapeMarks.handOver.value * 100)} % of its final bond before it leaves, at ${temp(settings.roomC, settings)} room. Rounded up to 15 minutes.`,
          ]}
          rows={[
            rowOf('Charge before heat', chargeLimit, '%'),
            rowOf('Tape at hand-over, share of final bond', tapeMarks.handOver, ''),
            rowOf('Edge flaw when unsure', chipFlawUm.unsure, 'µm'),
          ]}
        />
      </View>
    </StageShell>
  );
}
