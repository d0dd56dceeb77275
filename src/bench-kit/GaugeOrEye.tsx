import type { GaugedOf } from '@/core/fit/byEye';
import type { GaugePoint } from '@/core/fit/gaugePoints';
import type { EventOf } from '@/model/event';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import type { Thumb } from '@/ui/thumb';
import { useActions } from './actions';
import { EyeMarks, MeasureInstead, type ByEye } from './ByEye';
import { GaugeEntry, lastReading } from './GaugeEntry';

const quantityOf: Record<GaugedOf, EventOf<'reading'>['quantity']> = { gap: 'gapMm', step: 'stepMm', seat: 'seatMm' };

interface GaugeOrEyeProps {
  job: JobState;
  of: GaugedOf;
  by: ByEye;
  /** the gauge is in use */
  measuring: boolean;
  onMeasure: () => void;
  points: readonly GaugePoint[];
  values: Readonly<Record<string, number>>;
  name: string;
  lowMm: number;
  highMm: number;
  /** scatter of the gauge, kept with each reading */
  uMm: number;
  units: Pick<Settings, 'temperature' | 'length'>;
  thumb: Thumb | undefined;
  placeOf: (p: GaugePoint) => string;
  onRead?: (p: GaugePoint) => Promise<{ mm: number } | { problem: string }>;
}

/** The places that the eye has marked, or point after point with a gauge. */
export function GaugeOrEye({ job, of, by, measuring, onMeasure, uMm, ...gauge }: GaugeOrEyeProps) {
  const { log, undo } = useActions(job);
  const quantity = quantityOf[of];
  if (!measuring)
    return (
      <>
        <EyeMarks by={by} of={of} points={gauge.points} placeOf={gauge.placeOf} />
        <MeasureInstead onPress={onMeasure} />
      </>
    );
  return (
    <GaugeEntry
      {...gauge}
      onValue={(point, value) => void log([{ type: 'reading', quantity, point, value, u: uMm }])}
      onClear={(point) => {
        const id = lastReading(job, quantity, point);
        if (id) undo(id);
      }}
    />
  );
}
