import type { ReactNode } from 'react';

import type { Box } from '@/core/device/shapes';
import type { Pt } from '@/core/device/types';
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
  /** a photo between its body and its lines */
  under?: ReactNode;
  onTap?: (p: Pt) => void;
  onStroke?: (pts: Pt[] | null, done: boolean) => void;
  onDrag?: (phase: 'start' | 'move' | 'end', p: Pt) => void;
  readAt?: (p: Pt) => string | null;
  focus?: Box | undefined;
  bare?: boolean;
}

/** The plan of a job with its body and lines; a stage adds its own layers. */
export function PlainPlan({
  job,
  size,
  label,
  lines,
  children,
  under,
  onTap,
  onStroke,
  onDrag,
  readAt,
  focus,
  bare,
}: PlainPlanProps) {
  return (
    <Plan
      device={job.device}
      bond={job.bond}
      width={size.width}
      height={size.height}
      label={label}
      lines={lines}
      onTap={onTap}
      onStroke={onStroke}
      onDrag={onDrag}
      focus={focus}
      bare={bare}
      {...(readAt ? { readAt } : {})}
    >
      <DeviceBody />
      {under}
      <DeviceLines />
      {children}
    </Plan>
  );
}
