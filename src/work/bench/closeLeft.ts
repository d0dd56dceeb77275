import { type ClosingWay } from '@/core/schedule/jobTasks';
import type { JobState } from '@/model/fold';
import { cureOf } from '@/work/cure/cureJob';
import { clipId, type BenchInput, type Frame } from './benchInput';
import { closingWays } from './closingWays';
import type { JobHands } from './jobHands';

interface CloseLeft {
  ways: readonly ClosingWay[];
  handOverFromS: number | null;
}

/** Bonding and curing as they are left, with the clocks that run. */
export function closeLeft(job: JobState, o: BenchInput, f: Frame, at: JobHands): CloseLeft {
  const { settings } = o;
  const { left, going, todo, running, worker, begin, works } = at;
  const ways = closingWays(job, o);
  let handOverFromS: number | null = null;
  let own = ways;
  if (todo('bond') && !job.bonded) {
    left.add('bond');
    left.add('close');
    if (job.bead && ways.some((w) => w.id === 'bead')) {
      const endAt = job.bead.endAt;
      going.push({
        task: 'bond',
        startS: f.s(job.bead.startAt),
        endS: endAt === null ? f.nowS + 60 : f.s(endAt),
        person: worker,
        heater: null,
      });
      own = ways.filter((w) => w.id === 'bead');
    } else if (works('bond')) begin('bond', running!.fromAt);
  }
  if (todo('cure') && ways[0]?.id !== 'nothing') {
    if (job.bonded) {
      const c = cureOf(job, settings, o.now);
      const startS = f.s(c.startAt ?? job.bonded.at);
      const clocks = { off: c.unlockS.clampOff, build: c.unlockS.build, out: c.unlockS.handOver };
      handOverFromS = Math.round(startS + clocks.out);
      const clip = job.clampOn ? settings.clips.find((x) => x.name === job.clampOn!.clip) : undefined;
      own = [
        {
          id: c.kind === 'tape' ? 'tape' : 'bead',
          openS: null,
          clamp:
            clip && job.clampOn!.count > 0 && clip.owned > 0
              ? { resource: clipId(clip.id), n: Math.min(clip.owned, job.clampOn!.count) }
              : (ways[0]?.clamp ?? null),
          clampOffS: clocks.off,
          buildS: clocks.build,
          handOverS: clocks.out,
        },
      ];
      const buildEndS = Math.round(startS + clocks.build);
      if (job.clampOffAt === null) {
        left.add('clamped');
        left.add('unclamp');
        left.add('cure');
        if (job.clampOn)
          going.push({ task: 'clamped', startS, endS: Math.round(startS + clocks.off), person: null, heater: null });
      } else if (buildEndS > f.nowS) {
        left.add('cure');
        going.push({ task: 'cure', startS: f.s(job.clampOffAt), endS: buildEndS, person: null, heater: null });
      }
    } else for (const t of ['clamped', 'unclamp', 'cure'] as const) left.add(t);
  } else if (job.bonded && todo('handover')) {
    const c = cureOf(job, settings, o.now);
    if (c.startAt !== null) handOverFromS = Math.round(f.s(c.startAt) + c.unlockS.handOver);
  }
  return { ways: own, handOverFromS };
}
