import { functionTests } from '@/core/functions/tables';
import { foldOver } from '@/core/lift/foldOver';
import { judgement } from '@/core/source';
import type { EdgeId } from '@/core/device/types';
import type { JobState, JointSeen } from '@/model/fold';
import { leadsInside } from '@/model/joints';
import { testsOf } from './functionTests';

export const beforeClosingFigures = {
  atRisk: judgement(0.002, 'chance of a fault below which a function is not tried before closing'),
  most: judgement(6, 'functions tried before a cover goes on again where the inside stayed in'),
};

/** Functions that tell, with the least connected, whether it may be closed. */
export const openTests = (job: Pick<JobState, 'device'>): string[] =>
  functionTests.filter((t) => t.stage === 'open' && job.device.functions.includes(t.id)).map((t) => t.id);

/** The few that this work put at risk and that can be tried while it is open, most likely fault first. */
export function testsBeforeClosing(job: JobState): string[] {
  // with several covers it is tried at the one that is closed over the inside
  if (!leadsInside(job)) return [];
  return (
    testsOf(job, false)
      .filter((t) => t.test.stage === 'open' && t.risk > beforeClosingFigures.atRisk.value)
      // what failed before or is not there is not said to work now
      .filter((t) => !['fail', 'absent'].includes(job.functions.before[t.test.id] ?? ''))
      .sort((a, b) => b.risk - a.risk)
      .slice(0, beforeClosingFigures.most.value)
      .map((t) => t.test.id)
  );
}

/** What fails with the device open and did not fail before: it is looked for before anything is closed over it. */
export const failsOpen = (job: Pick<JobState, 'functions'>): string[] =>
  Object.entries(job.functions.open)
    .filter(([fn, r]) => r === 'fail' && job.functions.before[fn] !== 'fail')
    .map(([fn]) => fn);

/** How the cover lies while its cables are on: laid aside, stood up, tilted as far as a cable allows, or held flat. */
export type Prop =
  | { how: 'aside' }
  | { how: 'upright' | 'tilted'; cable: string; edge: EdgeId; deg: number }
  | { how: 'flat'; cable: string; mm: number };

const hardlyOpenDeg = judgement(25, 'under it nothing is reached below a tilted cover');

/** The shortest cable of the cover decides (geometry of `foldOver`). */
export function propFor({ device, bond, face }: JointSeen): Prop {
  const own = device.cables.filter((c) => (c.onFace ?? 'back') === face.id || (!c.onFace && face.side === 'back'));
  const folds = own.map((c) => {
    const f = foldOver(device, bond, c);
    const edge = f.betterEdge ?? f.edge;
    return { name: c.name, edge, deg: f.byEdgeDeg[edge], flatMm: f.flatMm };
  });
  if (!folds.length) return { how: 'aside' };
  const least = folds.reduce((a, b) => (b.deg < a.deg ? b : a));
  if (least.deg < hardlyOpenDeg.value) return { how: 'flat', cable: least.name, mm: least.flatMm };
  return {
    how: least.deg >= 90 ? 'upright' : 'tilted',
    cable: least.name,
    edge: least.edge,
    deg: Math.floor(least.deg),
  };
}
