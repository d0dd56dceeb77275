import { useRouter } from 'expo-router';
import { useMemo, useRef, useState } from 'react';
import { View } from 'react-native';

import { boxOf, contains } from '@/core/device/shapes';
import type { Pt } from '@/core/device/types';
import { removalOrder, exactUpTo } from '@/core/strip/removal';
import { stripGraph } from '@/core/strip/graph';
import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { JobPage } from '@/bench-kit/JobPage';
import { stripWork, targetsOf } from '@/work/strip/stripJob';
import { stageHref } from '@/bench-kit/stageHref';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Choice, Tick } from '@/ui/Choice';
import { MoveArrow, Stroke } from '@/ui/plan/layers';
import { Txt } from '@/ui/Txt';
import { useNow } from '@/bench-kit/useNow';
import { nearestHole, StripPicture } from './StripPicture';

/** What lies under what, as the model says and as the bench finds out: a finger from the one to what lies over it. */
export function OrderScreen({ job }: { job: JobState }) {
  const now = useNow(10_000);
  const router = useRouter();
  const { log } = useActions(job);
  const work = useMemo(() => stripWork(job), [job]);
  const [line, setLine] = useState<{ from: Pt; to: Pt } | null>(null);
  // a quick finger is up again before the page has been drawn
  const begun = useRef<{ from: Pt; id: string } | null>(null);
  const [id, setId] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const items = [...work.items.values()];
  const name = (x: string) => work.items.get(x)?.name ?? x;
  /** What a finger means at a place: a screw, a plug, a bracket, else the uppermost part there. */
  const at = (p: Pt): string | null => {
    const near = (list: readonly { id: string; at: Pt }[], mm: number) =>
      list.reduce<{ id: string; d: number } | null>((b, c) => {
        const d = Math.hypot(c.at[0] - p[0], c.at[1] - p[1]);
        return d <= mm && (!b || d < b.d) ? { id: c.id, d } : b;
      }, null)?.id ?? null;
    const hole = nearestHole(job, p, 3);
    const bracket = job.device.pieces.filter((x) => work.items.has(x.id));
    return (
      near(job.device.connectors, 5) ??
      near(bracket, 5) ??
      (hole ? `screws:${job.device.screws.find((s) => s.id === hole)!.zone}` : null) ??
      job.device.parts
        .filter((x) => work.items.get(x.id)?.kind === 'part' && contains(x.shape, p))
        .sort((a, b) => a.fromDepthMm - b.fromDepthMm || area(a.shape) - area(b.shape))[0]?.id ??
      null
    );
  };
  const put = (itemId: string, by: string, on: boolean) => {
    const edits = [...job.under, { id: itemId, by, on }];
    const list = stripGraph(job.device, edits);
    if (
      on &&
      removalOrder(
        list,
        targetsOf(job).filter((t) => list.some((i) => i.id === t)),
      ) === null
    ) {
      setProblem(`${name(itemId)} under ${name(by)} goes round in a circle: nothing was changed`);
      return;
    }
    setProblem(null);
    void log([{ type: 'under', itemId, over: by, on }]);
  };
  const onDrag = (phase: 'start' | 'move' | 'end', p: Pt) => {
    if (phase === 'start') {
      const hit = at(p);
      begun.current = hit ? { from: p, id: hit } : null;
      if (hit) setId(hit);
    }
    const b = begun.current;
    if (!b) return;
    if (phase !== 'end') return setLine({ from: b.from, to: p });
    begun.current = null;
    setLine(null);
    const over = at(p);
    if (over && over !== b.id) put(b.id, over, true);
  };
  const needs = id ? new Set(work.items.get(id)?.needs.flat() ?? []) : new Set<string>();
  const relevant = work.out.length;
  return (
    <JobPage
      job={job}
      title="What is under what"
      now={now}
      stage="strip"
      picture={(size) => (
        <StripPicture
          job={job}
          work={work}
          size={size}
          label={`${relevant} steps in order`}
          lines={items.map((i) => `${i.name}: after ${(i.needs[0] ?? []).map(name).join(', ') || 'nothing'}`)}
          next={id}
          nextHole={null}
          onDrag={onDrag}
        >
          {line ? (
            <>
              <Stroke pts={[line.from, line.to]} />
              <MoveArrow from={line.from} dx={line.to[0] - line.from[0]} dy={line.to[1] - line.from[1]} />
            </>
          ) : null}
        </StripPicture>
      )}
      main={<Button kind="main" label="Order is right" onPress={() => router.replace(stageHref(job.id, 'strip'))} />}
    >
      <View className="mt-2">
        <Call
          sentence={
            work.removal === null
              ? 'It goes round in a circle.'
              : `${relevant} steps, ${work.removal.cost.toFixed(0)} min, ${work.removal.exact ? 'the fewest there are' : `not proven; none under ${work.removal.bound.toFixed(0)} min`}.`
          }
          reason="Draw from a thing to what lies over it: it then comes off after that. Or tick it below."
          tone={work.removal === null ? 'caution' : 'ink'}
        />
        {problem ? (
          <View role="alert" className="mt-2">
            <Txt tone="caution">{problem}</Txt>
          </View>
        ) : null}
        <View className="mt-3">
          <Choice label="This" value={id} options={items.map((i) => ({ id: i.id, name: i.name }))} onChange={setId} />
          {id ? (
            <View role="group" aria-label={`${name(id)} comes off after`}>
              <Txt strong>{name(id)} comes off after</Txt>
              {items
                .filter((i) => i.id !== id)
                .map((i) => (
                  <Tick key={i.id} label={i.name} on={needs.has(i.id)} onChange={(on) => put(id, i.id, on)} />
                ))}
            </View>
          ) : null}
        </View>
        <Txt size="s" tone="ink2" className="mt-2">
          With alternatives the order is exact up to {exactUpTo} things; without, at any number. What is changed here
          belongs to this job; the model of the device stays as it is.
        </Txt>
      </View>
    </JobPage>
  );
}

function area(s: Parameters<typeof boxOf>[0]): number {
  const b = boxOf(s);
  return (b.max[0] - b.min[0]) * (b.max[1] - b.min[1]);
}
