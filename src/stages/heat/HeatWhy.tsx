import type { Heater } from '@/core/heat/heater';
import { defOf } from '@/core/heat/heaterDefs';
import { martin } from '@/core/heat/jet';
import type { JobState, JointSeen } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { magnetC, worstByClock } from '@/work/heat/heatForecast';
import { batteryMarks } from '@/work/heat/watchMarks';
import { rowOf, Why, type WhyRow } from '@/bench-kit/Why';
import { clock, temp } from '@/words/units';
import { watchedNames } from '@/words/watchedNames';
import type { HeatView } from './useHeatForecast';
import type { HeatPlanNow } from './useHeatPlan';
import { t } from '@/words/heat';

type Units = Pick<Settings, 'temperature' | 'length'>;

const kinds = ['battery', 'camera', 'display', 'cover'] as const;

const worstText = (worst: ReturnType<typeof worstByClock>, units: Units): string =>
  t('ifNobodyTriesEarlyAndEverybody', {
    list: kinds
      .flatMap((id) => (worst[id] === undefined ? [] : [`${watchedNames[id]} ${temp(worst[id], units)}`]))
      .join(', '),
  });

/** What the clock of a heat stands on, in sentences. */
function notesOf(
  job: Pick<JobState, keyof JointSeen | 'route'>,
  { f, lift, range, magnets }: HeatView,
  probed: boolean,
  units: Units,
): string[] {
  const cautionC = batteryMarks(job.device).cautionC;
  const battery = f.parts.battery;
  const { readyS } = f;
  const over = {
    mean: clock(battery?.aboveCautionS.mean ?? 0),
    high: clock(battery?.aboveCautionS.high ?? 0),
    mean2: clock(f.parts.camera?.aboveCautionS.mean ?? 0),
  };
  const since = (s: number) => clock(s - f.heatStartS);
  return [
    readyS
      ? t('usuallyEasyAtAlmostAlwaysBetween', {
          mean: since(readyS.mean),
          low: since(readyS.low),
          high: since(readyS.high),
        })
      : t('notEasyWithin20MinutesAt'),
    ...(readyS ? [worstText(worstByClock(job, f), units)] : []),
    probed
      ? t('countedFromTheHeatModelAnd', { cautionC: temp(cautionC, units) })
      : t('countedFromTheHeatModelAlone', { cautionC: temp(cautionC, units) }),
    (battery?.aboveStopS.high ?? 0) < 0.5
      ? t('batteryNeverOverItsLimit', over)
      : t('batteryOverItsWarningForUp', { ...over, high2: clock(battery!.aboveStopS.high) }),
    t('whenItOpens', {
      list: kinds
        .flatMap((id) =>
          f.parts[id]
            ? [
                t('upTo', {
                  id: watchedNames[id],
                  mean: temp(f.parts[id]!.peakC.mean, units),
                  high: temp(f.parts[id]!.peakC.high, units),
                }),
              ]
            : [],
        )
        .join('; '),
    }),
    ...(range.easyC
      ? [
          range.workC
            ? t('easyFromToAsThisShop', {
                mean: temp(range.easyC.mean, units),
                low: temp(range.easyC.low, units),
                high: temp(range.easyC.high, units),
                mean2: temp(range.workC.mean, units),
                low2: temp(range.workC.low, units),
                high2: temp(range.workC.high, units),
              })
            : t('easyFromToAsThisShop2', {
                mean: temp(range.easyC.mean, units),
                low: temp(range.easyC.low, units),
                high: temp(range.easyC.high, units),
              }),
        ]
      : []),
    ...(magnets === null || magnets < magnetC.value
      ? []
      : [t('underTheBackAtTheCoil', { magnets: temp(magnets, units), value: temp(magnetC.value, units) })]),
    ...(lift.alcohol ? [t('alcoholInThisEdgeItGives', { lowersK: Math.round(lift.alcohol.lowersK) })] : []),
    t('theChanceOfBreakingIsAn'),
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
        rowOf(t('toughnessOfTheGlue'), lift.case.adhesive.debond.g1, 'J/m²'),
        ...(limit ? [rowOf(t('batteryWarning'), limit.caution, '°C'), rowOf(t('batteryLimit'), limit.stop, '°C')] : []),
      ]}
    />
  );
}

/** What is known of a heater, by its form. */
function heaterRows(h: Heater, name: string): WhyRow[] {
  const common = [
    rowOf(t('readsOffBy', { name }), h.offsetK, 'K'),
    rowOf(t('lag', { name }), h.lagS, 's'),
    rowOf(t('toTheFirstCut', { name }), defOf(h).leadS, 's'),
  ];
  switch (h.kind) {
    case 'air':
      return [
        rowOf(t('airJetAgainstTheFormula'), h.hScale, '×'),
        rowOf(t('airAtTheNozzleOffBy'), h.offsetK, 'K'),
        rowOf(t('formula'), martin, ''),
        rowOf(t('fromAirOffToTheFirst'), defOf(h).leadS, 's'),
      ];
    case 'lamp':
      return [rowOf(t('shareOfItsViewThatThe'), h.viewShare, ''), ...common];
    case 'plate':
    case 'mat':
      return [rowOf(t('heatPassingAtTheContact'), h.conductanceWm2K, 'W/m²K'), ...common];
  }
}
