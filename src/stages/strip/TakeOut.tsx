import { useRouter, type Href } from 'expo-router';
import { useState, type ReactNode } from 'react';
import { View } from 'react-native';

import { commonPractice } from '@/core/source';
import { stripMinutes, strippable, zoneId } from '@/core/strip/graph';
import { neighbourMm, plugNeighbours } from '@/core/strip/neighbours';
import type { NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { StageShell } from '@/bench-kit/StageShell';
import { targetsOf, type StripWork } from '@/work/strip/stripJob';
import { useGoOn } from '@/bench-kit/useGoOn';
import { Entry, rowOf, Why } from '@/bench-kit/Why';
import { saveSettings, useSettings } from '@/store/shop';
import { capital } from '@/words/capital';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Choice, Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { NumberField } from '@/ui/NumberField';
import { Readings } from '@/ui/Readings';
import { Txt } from '@/ui/Txt';
import { length, lengthNumber, typedToMm } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { CellRule } from './CellRule';
import { speak } from '@/bench-kit/speak';
import { nearestHole, StripPicture } from './StripPicture';
import type { StripPhase } from './StripStage';
import { StripLinks } from './StripLinks';
import { specText } from './words';

export const stripCaution =
  'Wrist strap on. Battery unplugged first, plugged in last, with plastic, never metal. Never bend, lever under or heat a swollen cell. The maker’s instructions and local rules go first.';

export const batteryFirst = commonPractice(0, 'battery unplugged first, plugged in last');

/** One thing after the other comes off; screws hole by hole into their cells. */
export function TakeOut({
  job,
  work,
  tabs,
  onPhase,
}: {
  job: JobState;
  work: StripWork;
  tabs: ReactNode;
  onPhase: (p: StripPhase) => void;
}) {
  const settings = useSettings();
  const units = settings;
  const now = useNow(10_000);
  const router = useRouter();
  const { log } = useActions(job);
  const goOn = useGoOn(job, 'strip');
  const [lengthMm, setLengthMm] = useState<number | null>(null);
  const [lies, setLies] = useState('');
  const next = work.out.find((id) => !work.isOff(id)) ?? null;
  const item = next ? work.items.get(next)! : null;
  const holes = item?.kind === 'screws' ? job.device.screws.filter((s) => zoneId(s.zone) === next) : [];
  const hole = holes.find((s) => !job.screwsOut.has(s.id)) ?? null;
  const swollen = job.findings.cellSwollen?.answer === 'yes';
  const isCell = item?.kind === 'part' && job.device.parts.find((p) => p.id === next)?.kind === 'battery';
  const outCount = [...job.screwsOut.values()].filter((r) => !r.missing).length;

  const take = (id: string, missing = false): NewEvent => {
    const h = job.device.screws.find((s) => s.id === id)!;
    const spec = {
      head: h.head,
      diaMm: h.diaMm,
      lengthMm: lengthMm ?? h.lengthMm,
      ...(h.colour ? { colour: h.colour } : {}),
    };
    return {
      type: 'screw',
      hole: id,
      to: missing ? 'missing' : 'out',
      spec,
      ...(missing ? {} : { cell: work.cellOf(id) }),
    };
  };
  const doNext = () => {
    if (!item) return;
    if (hole) {
      const done = holes.filter((s) => job.screwsOut.has(s.id)).length + 1;
      void log([take(hole.id)]);
      setLengthMm(null);
      speak(`${done} of ${holes.length}`, settings.spoken);
    } else if (item.kind === 'part') void log([{ type: 'partState', partId: item.id, to: 'out' }]);
    else {
      void log([
        { type: 'stripped', itemId: item.id, to: 'out', ...(lies.trim() ? { note: lies.trim().slice(0, 200) } : {}) },
      ]);
      setLies('');
    }
  };
  const plug = job.device.connectors.find((c) => c.id === next);
  const near = plug ? plugNeighbours(job.device, plug) : null;
  const text = ((): { sentence: string; reason: string; tone: 'ink' | 'caution' } => {
    if (work.removal === null)
      return {
        sentence: 'These things block each other.',
        reason: 'What is under what goes round in a circle: take one of them back on the order page.',
        tone: 'caution',
      };
    if (!item)
      return {
        sentence: 'Everything that comes out is out.',
        reason: `${outCount} screws in their cells${job.screwsOut.size > outCount ? `, ${job.screwsOut.size - outCount} missing` : ''}. Next: what moves over.`,
        tone: 'ink',
      };
    if (hole) {
      const n = holes.indexOf(hole) + 1;
      return {
        sentence: `Screw ${n} of ${holes.length}, ${hole.zone}: into ${work.cellOf(hole.id)}.`,
        reason: `${specText({ ...hole, lengthMm: lengthMm ?? hole.lengthMm }, units)}. Press hard, straight; tap the hole that it came out of.`,
        tone: 'ink',
      };
    }
    if (plug)
      return {
        sentence: `${capital(plug.name)} off.`,
        reason: `${plug.battery ? 'First of all. ' : ''}Plastic or a fingernail, ${plug.kind === 'latch' ? 'latch up, then pull' : 'straight up'}, from ${near!.from}${near!.names.length ? `: ${near!.names.join(', ')} beside it` : ''}.`,
        tone: 'ink',
      };
    if (isCell && swollen)
      return {
        sentence: 'The cell is swollen: no heat, no prying.',
        reason: 'Alcohol and patience only, by who is trained for it; fire-proof bag at hand.',
        tone: 'caution',
      };
    if (isCell)
      return {
        sentence: `${capital(item.name)}: pull tabs first.`,
        reason:
          'No tab: warm it from the front, or alcohol round its edge with a tilt and a wait. Plastic card, no bending.',
        tone: 'ink',
      };
    return {
      sentence: `${capital(item.name)} out.`,
      reason: because(work, item.id),
      tone: 'ink',
    };
  })();
  const finished = item === null && work.removal !== null;
  const label = !item
    ? 'Now move over'
    : hole
      ? `Out, into ${work.cellOf(hole.id)}`
      : `${capital(item.name)} is ${item.kind === 'connector' ? 'off' : 'out'}`;
  const act = () => (finished ? onPhase('move') : doNext());
  return (
    <StageShell
      job={job}
      stage="strip"
      now={now}
      caution={stripCaution}
      onMain={work.removal === null ? undefined : act}
      picture={(size) => (
        <StripPicture
          job={job}
          work={work}
          size={size}
          label={`${work.out.filter(work.isOff).length} of ${work.out.length} steps out`}
          lines={[
            ...work.out.map((id, i) => `${i + 1}. ${work.items.get(id)!.name}: ${work.isOff(id) ? 'out' : 'in'}`),
            ...job.device.screws.map(
              (s) =>
                `${s.id}: ${specText(s, units)}, cell ${work.cellOf(s.id)}, ${job.screwsOut.has(s.id) ? (job.screwsOut.get(s.id)!.missing ? 'missing' : 'out') : 'in'}`,
            ),
          ]}
          next={next}
          nextHole={hole?.id ?? null}
          onTap={(p) => {
            const h = nearestHole(job, p);
            if (!h) return;
            void log([job.screwsOut.has(h) ? { type: 'screw', hole: h, to: 'untouched' } : take(h)]);
          }}
        />
      )}
      call={<Call {...text} />}
      readings={
        <Readings
          items={[
            {
              id: 'steps',
              value: `${work.out.filter(work.isOff).length} / ${work.out.length}`,
              label: `steps out${work.removal && !work.removal.exact ? '; order not proven cheapest' : ''}`,
            },
            {
              id: 'screws',
              value: `${outCount} / ${job.device.screws.length}`,
              label: `screws out${job.screwsOut.size > outCount ? `, ${job.screwsOut.size - outCount} missing` : ''}`,
              tone: job.screwsOut.size > outCount ? 'caution' : 'ink',
            },
          ]}
        />
      }
      main={
        <Button
          kind="main"
          label={label}
          onPress={act}
          disabled={work.removal === null}
          {...(work.removal === null ? { why: 'order goes in a circle' } : {})}
        />
      }
      side={
        hole ? (
          <Button
            label="Missing"
            onPress={() =>
              void log([take(hole.id, true), { type: 'finding', kind: 'screwMissing', answer: 'yes', note: hole.id }])
            }
          />
        ) : finished ? (
          <Button label="Go to clean" onPress={() => goOn()} />
        ) : undefined
      }
    >
      {tabs}
      <Tick
        label="Wrist strap on, grounded"
        on={job.prep.has('strapOn')}
        onChange={(v) => void log([{ type: 'prep', item: 'strapOn', done: v }])}
      />
      {hole ? (
        <NumberField
          label="It is longer or shorter: length"
          unit={units.length}
          low={Number(lengthNumber(0.5, units, 1))}
          high={Number(lengthNumber(30, units, 1))}
          digits={1}
          value={Number(lengthNumber(lengthMm ?? hole.lengthMm, units, 1))}
          onCommit={(v) => setLengthMm(typedToMm(v, units))}
        />
      ) : null}
      {plug?.kind === 'coax' ? (
        <Entry label="How the lines cross: which lies over which" value={lies} onChange={setLies} max={200} />
      ) : null}
      {isCell ? <CellRule job={job} onWarm={() => router.push(`/jobs/${job.id}/glue` as Href)} /> : null}
      <Choice
        label="To come out"
        value={job.stripTarget === null || job.stripTarget.length !== 1 ? 'all' : job.stripTarget[0]!}
        options={[
          { id: 'all', name: 'everything' },
          ...job.device.parts.filter(strippable).map((p) => ({ id: p.id, name: `only the ${p.name}` })),
        ]}
        onChange={(id) =>
          void log([
            {
              type: 'stripTarget',
              ids: id === 'all' ? job.device.parts.filter(strippable).map((p) => p.id) : [id],
            },
          ])
        }
      />
      <Disclosure title="All steps">
        {work.out.map((id, i) => (
          <View key={id} className="flex-row gap-2 py-1 border-b border-rule">
            <Txt num strong className="w-[34px]">
              {work.isOff(id) ? '✓' : i + 1}
            </Txt>
            <Txt size="s" className="flex-1">
              {work.items.get(id)!.name}: {because(work, id)}
            </Txt>
          </View>
        ))}
      </Disclosure>
      <Tick
        label="Say the counts aloud"
        on={settings.spoken}
        onChange={(spoken) => void saveSettings({ ...settings, spoken })}
      />
      <StripLinks job={job} />
      <Why
        job={job}
        call="strip"
        inputs={{ targets: targetsOf(job), under: job.under }}
        computed={{ order: work.out, cost: work.removal?.cost ?? null, exact: work.removal?.exact ?? null }}
        notes={[
          work.removal
            ? work.removal.exact
              ? `The fewest minutes that reach it: ${work.removal.cost.toFixed(1)} in all, exact.`
              : `About ${work.removal.cost.toFixed(1)} minutes; no order is under ${work.removal.bound.toFixed(1)}: too many alternatives for an exact search.`
            : 'No order: a circle.',
          'What lies over what comes from depths and outlines, from brackets and screws of the model, and from what was found here.',
        ]}
        rows={[
          rowOf('Battery', batteryFirst, ''),
          rowOf('One screw', stripMinutes.screw, 'min'),
          rowOf('One plug', stripMinutes.connector, 'min'),
          rowOf('One part', stripMinutes.part, 'min'),
          rowOf('At risk beside a plug', neighbourMm, 'mm'),
        ]}
      />
      <Txt size="s" tone="ink2" className="mt-1">
        Screws in {length(work.tray.totalMm / Math.max(1, work.groups.length), units, 0)} from their place on average:
        the tray mirrors the device.
      </Txt>
    </StageShell>
  );
}

/** Why it comes here: what it waited for. */
function because(work: StripWork, id: string): string {
  const needs = work.items.get(id)!.needs[0] ?? [];
  const names = needs.map((n) => work.items.get(n)!.name);
  return names.length ? `after ${names.join(', ')}` : 'nothing lies over it';
}
