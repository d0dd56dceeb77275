import type { AirPath } from '@/core/heat/airPath';
import type { Range } from '@/core/source';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import type { PlanSize } from '@/bench-kit/StageShell';
import { type LiftState, type ThermalJob } from '@/work/heat/thermalJob';
import { placeName } from '@/words/placeNames';
import { DeviceBody, DeviceLines } from '@/ui/plan/BaseLayer';
import { FieldLayer } from '@/ui/plan/FieldLayer';
import { Soundings } from '@/ui/plan/layers';
import { PaceMaker } from '@/ui/plan/PaceMaker';
import { Plan } from '@/ui/plan/Plan';
import { temp, tempNumber } from '@/words/units';
import { t } from '@/words/heat';

interface HeatPictureProps {
  job: JobState;
  thermal: ThermalJob;
  lift: LiftState;
  /** bond plane on the raster of the modes, °C */
  fieldC: Float64Array;
  arcsC: readonly Range[];
  units: Pick<Settings, 'temperature' | 'length'>;
  size: PlanSize;
  /** way of the nozzle; it moves while the air is on */
  air?: { path: AirPath; running: boolean } | null;
}

/** Isotherms of the bond plane with the usual values of the arcs as soundings, as the readings beside it; the coldest arc is ringed. */
export function HeatPicture({ job, thermal, lift, fieldC, arcsC, units, size, air }: HeatPictureProps) {
  const coldest = arcsC.reduce((m, r, i) => (r.mean < arcsC[m]!.mean ? i : m), 0);
  return (
    <Plan
      device={job.device}
      bond={job.bond}
      width={size.width}
      height={size.height}
      label={t('glueOfTo', {
        name: job.device.name,
        mean: tempNumber(arcsC[coldest]!.mean, units),
        max: tempNumber(Math.max(...arcsC.map((r) => r.mean)), units),
        temperature: units.temperature,
      })}
      lines={thermal.arcs.map((a, i) =>
        t('atLeast', {
          path: placeName(thermal.path, (a.fromMm + a.toMm) / 2),
          mean: temp(arcsC[i]!.mean, units),
          low: temp(arcsC[i]!.low, units),
        }),
      )}
      readAt={(p) => {
        const pic = thermal.model.modes.picture;
        const i = Math.round((p[0] - pic.originMm[0]) / pic.stepMm[0]);
        const j = Math.round((p[1] - pic.originMm[1]) / pic.stepMm[1]);
        return i >= 0 && j >= 0 && i < pic.nx && j < pic.ny
          ? t('inTheGlue', { j: temp(fieldC[j * pic.nx + i]!, units) })
          : null;
      }}
    >
      <DeviceBody />
      <FieldLayer valuesC={fieldC} raster={thermal.model.modes.picture} boldC={lift.easyC} />
      <DeviceLines inside={false} />
      {air ? <PaceMaker outline={thermal.model.modes.outline} path={air.path} running={air.running} /> : null}
      <Soundings
        onField
        items={thermal.arcs
          .map((a, i) => ({ i, p: thermal.path.point((a.fromMm + a.toMm) / 2) }))
          .filter(({ i }) => i % 3 === 0 || i === coldest)
          .map(({ i, p }) => ({
            at: [p.at[0] - p.normal[0] * 5, p.at[1] - p.normal[1] * 4] as const,
            text: String(tempNumber(arcsC[i]!.mean, units)),
            ring: i === coldest,
            bold: i === lift.order[0] || i === coldest,
          }))}
      />
    </Plan>
  );
}
