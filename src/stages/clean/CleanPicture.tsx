import type { JobState } from '@/model/fold';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { Numbers, RingArcs } from '@/ui/plan/layers';
import { Shards } from '@/ui/plan/pieceLayers';
import type { Cleaning } from './cleanCall';
import type { FrameHeat } from './useFrameHeat';
import { arcLook, stateNames } from './words';
import { t } from '@/words/clean';

/** The zones on the plan: which is bare, which is next, where glass stayed. */
export function CleanPicture({
  job,
  size,
  c: { side, zones, place, dirty, bare },
  path,
}: {
  job: JobState;
  size: Parameters<typeof PlainPlan>[0]['size'];
  c: Cleaning;
  path: FrameHeat['path'];
}) {
  return (
    <PlainPlan
      job={job}
      size={size}
      label={t('ofZonesBare', { bare, n: zones.length, side })}
      lines={zones.map((z) =>
        z.zone.dry
          ? t('dryOnly2', { index: z.zone.index + 1, zone: place(z.zone), state: stateNames[z.state] })
          : `${z.zone.index + 1}, ${place(z.zone)}: ${stateNames[z.state]}`,
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
  );
}
