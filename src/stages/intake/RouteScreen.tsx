import { coverKindOf } from '@/core/device/coverKinds';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';

import { faceView } from '@/core/device/faceView';
import { boxOf } from '@/core/device/shapes';
import { sideGapMm } from '@/core/fit/tolerance';
import {
  breakWeight,
  comebackChance,
  damageChance,
  internalsOut,
  partExtras,
  piecesToMove,
  priorWeight,
  type PartExtra,
  type RouteOption,
} from '@/core/intake/route';
import { closeCall } from '@/core/money/choices';
import type { NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { useCrackMap } from '@/bench-kit/crackMap';
import { JobPage } from '@/bench-kit/JobPage';
import { partText } from '@/words/partText';
import { backHref, cameFrom } from '@/bench-kit/cameFrom';
import { Entry, rowOf, Why } from '@/bench-kit/Why';
import { useJobs, useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Choice, Tick } from '@/ui/Choice';
import { NumberField } from '@/ui/NumberField';
import { Txt } from '@/ui/Txt';
import { lengthNumber, length, percent, price, temp, typedToMm } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';
import { adviceOf, breakPlan, chosenOption, closedByOf, factsOf, minutesOf } from '@/work/intake/facts';
import { routeCall } from './routeCall';
import { blockText, optionName } from './words';

const extraNames: Record<PartExtra, string> = {
  adhesive: 'adhesive',
  lens: 'lens covers',
  flash: 'flash window',
  coil: 'coil',
  mesh: 'microphone mesh',
  frame: 'frame',
};

export function RouteScreen({ job }: { job: JobState }) {
  const settings = useSettings();
  const jobs = useJobs();
  const now = useNow(30_000);
  const router = useRouter();
  const { log, decide } = useActions(job);
  const { answer } = useCrackMap(job);
  const pieces = answer && !('problem' in answer) ? answer.map.pieces.length : 1;
  const facts = factsOf(job, jobs, settings, pieces);
  const advice = adviceOf(facts, job, settings);
  const chosen = chosenOption(advice, job);
  const [picked, setPicked] = useState<string | null>(null);
  const [because, setBecause] = useState('');
  const option = advice.options.find((o) => o.id === (picked ?? chosen?.id ?? advice.best?.id)) ?? null;
  const plan = breakPlan(job, settings);
  const money = (minor: number) => price(minor, settings.money.currency);
  const other = option !== null && advice.best !== null && option.id !== advice.best.id && !advice.next?.close;
  const text = routeCall(advice, money);

  const route = (change: Partial<NonNullable<JobState['route']>>, o: RouteOption): NewEvent => ({
    type: 'jobRoute',
    bondId: job.route?.bondId ?? job.bond.id,
    work: o.work,
    cover: o.cover,
    origin: o.origin,
    through: job.route?.through ?? job.model.insideThrough,
    internalsOut: internalsOut[o.work],
    partHas: job.route?.partHas ?? [],
    closedBy: closedByOf(job),
    ...pick(change),
  });
  const back = () => router.replace(backHref(job, 'intake'));
  const take = () => {
    if (!option) return;
    void log([
      route({}, option),
      decide({
        call: 'route',
        computed: {
          best: advice.best?.id ?? null,
          expectedMinor: advice.best ? Math.round(advice.best.cost.mean) : null,
        },
        inputs: { pieces, breakChance: plan.chance, bent: facts.bent },
        chosen: option.id,
        ...(other ? { because: because.trim() } : {}),
      }),
    ]);
    back();
  };
  const blocked = option?.blocks.includes('swollen') ?? true;
  const same = option !== null && option.id === chosen?.id;
  const needsReason = other && !same && !because.trim();

  return (
    <JobPage
      job={job}
      title="Route"
      now={now}
      stage="intake"
      main={
        <Button
          kind="main"
          label={same ? (cameFrom(job, 'intake') === 'intake' ? 'Back to intake' : 'Back') : 'Take this route'}
          onPress={same ? back : take}
          disabled={!same && (!option || blocked || needsReason)}
          {...(blocked ? { why: 'swollen cell' } : needsReason ? { why: 'say why another one than computed' } : {})}
        />
      }
    >
      <Call {...text} />
      {job.model.bonds.length > 1 ? (
        <View className="mt-3">
          <Choice
            label="Face that is worked on"
            value={job.bond.id}
            options={job.model.bonds.map((b) => ({
              id: b.id,
              name: job.model.faces.find((f) => f.id === b.onFace)?.name ?? b.onFace,
            }))}
            onChange={(bondId) => {
              const next = job.model.bonds.find((b) => b.id === bondId)!;
              const face = faceView(job.model, next);
              const first = adviceOf(
                {
                  ...facts,
                  construction: face.device.faces.find((f) => f.id === next.onFace)!.construction,
                  side: face.device.faces.find((f) => f.id === next.onFace)!.side,
                },
                job,
                settings,
              ).best;
              setPicked(null);
              if (first) void log([{ ...route({}, first), bondId } as NewEvent]);
            }}
          />
        </View>
      ) : null}
      <View role="radiogroup" aria-label="Ways" className="mt-3">
        {advice.options.map((o) => {
          const on = o.id === option?.id;
          const off = o.blocks.length > 0;
          return (
            <Pressable
              key={o.id}
              role="radio"
              aria-checked={on}
              aria-label={`${optionName(o)}${off ? `: ${o.blocks.map((b) => blockText[b]).join(', ')}` : `, ${money(o.cost.mean)} expected`}`}
              onPress={() => setPicked(o.id)}
              className={`min-h-[60px] px-3 py-2 mb-2 rounded-[6px] border-[1.5px] ${on ? 'bg-ink border-ink' : 'bg-panel border-ink2'}`}
            >
              <View className="flex-row justify-between gap-2">
                <Txt strong tone={on ? 'onInk' : 'ink'} className="flex-1">
                  {optionName(o)}
                </Txt>
                <Txt num strong tone={on ? 'onInk' : 'ink'}>
                  {off ? '–' : money(o.cost.mean)}
                </Txt>
              </View>
              <Txt size="s" tone={on ? 'onInk' : 'ink2'}>
                {off
                  ? o.blocks.map((b) => blockText[b]).join(', ')
                  : `${money(o.cost.low)} to ${money(o.cost.high)} · ${Math.round(minutesOf(o, facts, job))} min${o.risks[0]?.id === 'break' ? ` · breaks ${percent(o.risks[0].a / (o.risks[0].a + o.risks[0].b))}` : ''}${o.id === advice.best?.id ? ' · cheapest' : ''}`}
              </Txt>
            </Pressable>
          );
        })}
      </View>
      {other && !same ? (
        <Entry label="Why another one than the cheapest" value={because} onChange={setBecause} />
      ) : null}
      <Txt size="s" tone="ink2">
        Expected cost to the shop, with 95 % of what is not known about its chances. Saving at {temp(plan.tC, settings)}
        : {percent(plan.chance)} chance of breaking
        {plan.safe ? '' : ', no temperature within the limits is safe for it'}. No twisting and no hidden chips are
        reckoned with: it looks optimistic.
      </Txt>
      {job.route && option ? (
        <RouteDetails
          job={job}
          work={option.work}
          onRoute={(change) => void log([route(change, option)])}
          onEvents={(e) => void log(e)}
        />
      ) : null}
      <Why
        job={job}
        call="route"
        inputs={{ facts }}
        computed={{ options: advice.options.map((o) => ({ id: o.id, mean: Math.round(o.cost.mean) })) }}
        notes={[
          `Chances are Beta distributions: a first figure that weighs ${priorWeight.value} jobs (breaking: computed, ${breakWeight.value} jobs), and the shop’s own ${facts.counts.done} jobs, ${facts.counts.saved} covers tried to be saved.`,
          ...(advice.saveOrNew
            ? [
                `Break-even chance ${percent(advice.saveOrNew.pStar)}; knowing the chance exactly would be worth ${money(advice.saveOrNew.evpi)}.`,
              ]
            : []),
        ]}
        rows={[
          rowOf('Come-back of new genuine glass', comebackChance.genuine, ''),
          rowOf('Come-back of aftermarket glass', comebackChance.aftermarket, ''),
          rowOf('Damage inside, this work', damageChance[option?.work ?? 'glassOnly'], ''),
          rowOf('Too close to call from', closeCall.low, ''),
          rowOf('Weight of a first figure', priorWeight, 'jobs'),
        ]}
      />
    </JobPage>
  );
}

/** The fields of a recorded route without those of its event. */
function pick(c: Partial<NonNullable<JobState['route']>>): Partial<NonNullable<JobState['route']>> {
  const { bondId, through, partHas, closedBy, internalsOut: out } = c;
  return {
    ...(bondId ? { bondId } : {}),
    ...(through ? { through } : {}),
    ...(partHas ? { partHas } : {}),
    ...(closedBy ? { closedBy } : {}),
    ...(out === undefined ? {} : { internalsOut: out }),
  };
}

function RouteDetails({
  job,
  work,
  onRoute,
  onEvents,
}: {
  job: JobState;
  work: RouteOption['work'];
  onRoute: (change: Partial<NonNullable<JobState['route']>>) => void;
  onEvents: (e: NewEvent[]) => void;
}) {
  const settings = useSettings();
  const route = job.route!;
  const moves = piecesToMove(job.device, job.bond, work);
  const box = boxOf(job.face.cover.outline);
  const model = { width: box.max[0] - box.min[0], height: box.max[1] - box.min[1], thickness: job.face.cover.hMm };
  const lens = job.face.holes.find((h) => h.role === 'camera');
  const lensMm = lens?.shape.kind === 'disc' ? 2 * lens.shape.rMm : null;
  const fields = [
    ['width', 'Width of the glass', model.width],
    ['height', 'Height of the glass', model.height],
    ['thickness', 'Thickness of the glass', model.thickness],
    ...(lensMm ? [['lensHole', 'Camera hole, old ring against new hole', lensMm] as const] : []),
  ] as const;
  return (
    <View className="mt-4">
      <Choice
        label="The inside is reached through the"
        value={route.through}
        options={job.model.faces.filter((f) => !coverKindOf(f).lens).map((f) => ({ id: f.id, name: f.name }))}
        onChange={(through) => onRoute({ through })}
      />
      <Choice
        label="The internals"
        value={route.internalsOut ? 'out' : 'in'}
        options={[
          { id: 'in', name: 'Stay in, shielded' },
          { id: 'out', name: 'Come out' },
        ]}
        onChange={(v) => onRoute({ internalsOut: v === 'out' })}
      />
      <Choice
        label="Closed again with"
        value={route.closedBy}
        options={[
          { id: 'tape', name: 'Ring or tape' },
          { id: 'bead', name: 'Liquid bead' },
          { id: 'nothing', name: 'Nothing: clips, or bonded already' },
        ]}
        onChange={(closedBy) => onRoute({ closedBy })}
        hint="Tape leaves the same day. A bead that dries needs a day at two open edges, up to four where only one is open."
      />
      {route.origin ? (
        <View className="mb-3">
          <Txt strong className="mb-1">
            The new part comes with
          </Txt>
          {partExtras.map((e) => (
            <Tick
              key={e}
              label={extraNames[e]}
              on={route.partHas.includes(e)}
              onChange={(on) => {
                const partHas = on ? [...route.partHas, e] : route.partHas.filter((x) => x !== e);
                onRoute({ partHas });
                const same = moves.filter((m) => m.extra === e);
                if (same.length)
                  onEvents(same.map((m) => ({ type: 'partState', partId: m.id, to: on ? 'onNew' : 'in' })));
              }}
            />
          ))}
        </View>
      ) : null}
      {moves.length ? (
        <View className="mb-3" role="list" aria-label="Pieces that must move">
          <Txt strong className="mb-1">
            {moves.filter((m) => job.parts[m.id] !== 'onNew').length} of {moves.length} pieces must move
          </Txt>
          {moves.map((m) => (
            <View key={m.id} role="listitem">
              <Tick
                label={`${m.name}: on the new part already`}
                on={job.parts[m.id] === 'onNew'}
                onChange={(on) => onEvents([{ type: 'partState', partId: m.id, to: on ? 'onNew' : 'in' }])}
              />
            </View>
          ))}
        </View>
      ) : null}
      {route.origin ? (
        <View>
          <Txt strong className="mb-1">
            Old and new side by side
          </Txt>
          <Txt size="s" tone="ink2" className="mb-2">
            Lay them back to back before anything is heated. The model’s figures stand in for what is not measured.
          </Txt>
          <View className="flex-row gap-3">
            <Txt size="s" strong className="flex-1">
              old
            </Txt>
            <Txt size="s" strong className="flex-1">
              new
            </Txt>
          </View>
          {fields.map(([what, name, modelMm]) => (
            <View key={what} className="mb-1">
              <Txt size="s">{name}</Txt>
              <View className="flex-row gap-3">
                {(['oldMm', 'newMm'] as const).map((side) => (
                  <View key={side} className="flex-1">
                    <NumberField
                      label={`${name}, ${side === 'oldMm' ? 'old' : 'new'}`}
                      hideLabel
                      unit={settings.length}
                      low={Number(lengthNumber(0.05, settings, 2))}
                      high={Number(lengthNumber(500, settings, 2))}
                      digits={settings.length === 'mm' ? 2 : 3}
                      value={
                        job.measured[what]
                          ? Number(lengthNumber(job.measured[what]![side], settings, 2))
                          : Number(lengthNumber(modelMm, settings, 2))
                      }
                      onCommit={(v) => {
                        const old = job.measured[what] ?? { oldMm: modelMm, newMm: modelMm };
                        onEvents([{ type: 'partMeasured', what, ...old, [side]: typedToMm(v, settings) }]);
                      }}
                    />
                  </View>
                ))}
              </View>
              {job.measured[what] ? (
                <Txt size="s" className="mb-1">
                  {partText(job, what, settings)}
                </Txt>
              ) : null}
            </View>
          ))}
          <Txt size="s" tone="ink2" className="mb-2">
            Wanted on each side: {length(sideGapMm.least.value, settings, 2)} to{' '}
            {length(sideGapMm.most.value, settings, 2)}.
          </Txt>
          <Tick
            label="Old and new compared"
            note="Outline, holes, and the small pieces that sit on the old one."
            on={job.prep.has('compared')}
            onChange={(done) => onEvents([{ type: 'prep', item: 'compared', done }])}
          />
        </View>
      ) : null}
    </View>
  );
}
