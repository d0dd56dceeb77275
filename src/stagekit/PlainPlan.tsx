import type { ReactNode } from 'react';

import type { JobState } from '@/model/fold';
import { DeviceBody, DeviceLines } from '@/ui/plan/BaseLayer';
import { Plan } from '@/ui/plan/Plan';
import type { PlanSize } from './StageShell';

interface PlainPlanProps {
  job: JobState;
  size: PlanSize;
  label: string;
  lines: readonly string[];
  children?: ReactNode;
}

/** The plan of a job with its body and lines; a stage adds its own layers. */
export function PlainPlan({ job, size, label, lines, children }: PlainPlanProps) {
  return (
    <Plan device={job.device} bond={job.bond} width={size.width} height={size.height} label={label} lines={lines}>
      <DeviceBody />
      <DeviceLines />
      {children}
    </Plan>
  );
}
