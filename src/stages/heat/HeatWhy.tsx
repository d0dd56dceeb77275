import type { Heater } from '@/core/heat/heater';
import { defOf } from '@/core/heat/heaterDefs';
import { martin } from '@/core/heat/jet';
import type { JobState, JointSeen } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { magnetC, worstByClock } from '@/work/heat/heatForecast';
import { batteryMarks } from '@/work/heat/watchMarks';
import { rowOf, Why, type WhyRow } from '@/bench-kit/Why';
import { clock, temp } from '@/words/units';
import { watchedNames } from './heatCall';
import type { HeatView } from './useHeatForecast';
import type { HeatPlanNow } from './useHeatPlan';

type Units = Pick<Settings, 'temperature' | 'length'>;

const kinds = ['battery', 'camera', 'display', 'cover'] as const;

const worstText = (worst: ReturnType<typeof worstByClock>, units: Units): string =>
  `Worst case of never trying and waiting for the latest time by the clock: ${kinds.flatMap((id) => (worst[id] === undefined ? [] : [`${watchedNames[id]} ${temp(worst[id], units)}`])).join(', ')}.`;

/** What the clock of a heat stands on, in sentences. */
function notesOf(job: JointSeen, { f, lift, range, magnets }: HeatView, probed: boolean, units: Units): string[] {
  const cautionC = batteryMarks(job.device).cautionC;
  const battery = f.parts.battery;
  const { readyS } = f;
  const since = (s: number) => clock(s - f.heatStartS);
  return [
    readyS
      ? `Easy usually at ${since(readyS.mean)}, between ${since(readyS.low)} and ${since(readyS.high)} in nineteen of twenty. Trying costs seconds, so the call tells the usual time; parts are judged in the same world as the bond: a poor contact makes the bond late and the camera cool.`
      : 'Not easy within 20 minutes at this setpoint.',
    ...(readyS ? [worstText(worstByClock(job, f), units)] : []),
    `Basis: ${probed ? 'heat model and probe' : 'heat model only'}. No way of heating is promised to keep the battery under its ${temp(cautionC, units)} caution mark; what differs is how long it lasts.`,
    `Battery over caution ${clock(battery?.aboveCautionS.mean ?? 0)} (up to ${clock(battery?.aboveCautionS.high ?? 0)}), over stop up to ${clock(battery?.aboveStopS.high ?? 0)}, all heats of this job together. Camera over caution ${clock(f.parts.camera?.aboveCautionS.mean ?? 0)}.`,
    `When it opens: ${kinds.flatMap((id) => (f.parts[id] ? [`${watchedNames[id]} ${temp(f.parts[id]!.peakC.mean, units)}, up to ${temp(f.parts[id]!.peakC.high, units)}`] : [])).join('; ')}.`,
    ...(range.easyC
      ? [
          `Easy from ${temp(range.easyC.mean, units)}: ${temp(range.easyC.low, units)} to ${temp(range.easyC.high, units)} over what this shop does not know of the adhesive${range.workC ? `; works from ${temp(range.workC.mean, units)}, ${temp(range.workC.low, units)} to ${temp(range.workC.high, units)}` : ''}. What gave or held is noted on Lift and narrows it.`,
        ]
      : []),
    ...(magnets === null || magnets < magnetC.value
      ? []
      : [
          `Under the cover at the coil ${temp(magnets, units)}: magnets of many grades weaken for good from about ${temp(magnetC.value, units)}. Hot air along the edge keeps them cooler.`,
        ]),
    ...(lift.alcohol
      ? [`Alcohol in this edge: ${Math.round(lift.alcohol.lowersK)} K less is needed there until it has dried.`]
      : []),
    'Break chance is a numerical estimate and looks optimistic: no twisting, no hidden chips.',
  ];
}

/** Why this heat and what else: the sentences, and the figures under them. */
export function HeatWhy({
  job,
  now: { plan, heater, words },
  view,
  probed,
  units,
}: {
  job: JobState;
  now: HeatPlanNow;
  view: HeatView;
  probed: boolean;
  units: Units;
}) {
  const { f, lift, thermal } = view;
  const limit = job.device.parts.find((p) => p.kind === 'battery')?.limitC;
  return (
    <Why
      job={job}
      call="heat"
      inputs={{
        heater: plan.heater,
        use: plan.use,
        setC: plan.setC,
        pickMm: lift.pickMm,
        ambientC: thermal.ambientC,
      }}
      computed={{ readyS: f.readyS, easyC: lift.easyC, workC: lift.workC }}
      notes={() => notesOf(job, view, probed, units)}
      rows={[
        ...heaterRows(heater, words.name),
        rowOf('Adhesive G1', lift.case.adhesive.debond.g1, 'J/m²'),
        ...(limit ? [rowOf('Battery caution', limit.caution, '°C'), rowOf('Battery stop', limit.stop, '°C')] : []),
      ]}
    />
  );
}

/** What is known of a heater, by its form. */
function heaterRows(h: Heater, name: string): WhyRow[] {
  const common = [
    rowOf(`${name} offset`, h.offsetK, 'K'),
    rowOf(`${name} lag`, h.lagS, 's'),
    rowOf(`${name} to first cut`, defOf(h).leadS, 's'),
  ];
  switch (h.kind) {
    case 'air':
      return [
        rowOf('Air jet over the correlation', h.hScale, '×'),
        rowOf('Air at the nozzle off by', h.offsetK, 'K'),
        rowOf('Correlation', martin, ''),
        rowOf('Air aside to first cut', defOf(h).leadS, 's'),
      ];
    case 'lamp':
      return [rowOf('Share of its view that the elements fill', h.viewShare, ''), ...common];
    case 'plate':
    case 'mat':
      return [rowOf('Contact conductance', h.conductanceWm2K, 'W/m²K'), ...common];
  }
}
