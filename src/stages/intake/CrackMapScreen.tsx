import { useRouter } from 'expo-router';
import { memo, useMemo, useState, useSyncExternalStore } from 'react';
import { View } from 'react-native';

import { CoreInputError } from '@/core/errors';
import { bondPerimeter, Perimeter } from '@/core/device/perimeter';
import { boxOf } from '@/core/device/shapes';
import { nearSegment } from '@/core/device/polygon';
import type { Pt } from '@/core/device/types';
import { polylineOf, typedCrack } from '@/core/lift/cracks/freehand';
import { maxCracks } from '@/core/lift/cracks/pieces';
import type { NewEvent } from '@/model/event';
import type { JobState } from '@/model/fold';
import type { Settings } from '@/model/settings';
import { useActions } from '@/bench-kit/actions';
import { pieceReasons, piecesDrawn, useCrackMap, type Found } from '@/bench-kit/crackMap';
import { JobPage } from '@/bench-kit/JobPage';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { placeName } from '@/work/heat/thermalJob';
import { backHref } from '@/bench-kit/cameFrom';
import { Entry } from '@/bench-kit/Why';
import { newId } from '@/store/ids';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Choice } from '@/ui/Choice';
import { Chips, Pieces, Stroke } from '@/ui/plan/layers';
import { Txt } from '@/ui/Txt';
import { area, length, percent } from '@/words/units';
import { useNow } from '@/bench-kit/useNow';

type Mode = 'draw' | 'chip' | 'rub' | 'look';

/** What is drawn this far beside the glass still counts, mm. */
const besideMm = 8;

/** A crack that is typed may run out beside the glass this far, mm. */
const offMm = 40;

/** A finger meets a crack within this distance, mm. */
const reachMm = 5;

const crackEvents = new Set(['crack', 'crackGone', 'chipMark', 'chipGone']);

export function CrackMapScreen({ job }: { job: JobState }) {
  const settings = useSettings();
  const now = useNow(10_000);
  const router = useRouter();
  const { log, undo } = useActions(job);
  const [mode, setMode] = useState<Mode>('draw');
  const [typed, setTyped] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  // the stroke is outside the state of the page: only its line is drawn again while the finger moves
  const [stroke] = useState(strokeStore);
  const { answer, preview } = useCrackMap(job);
  const found = answer && !('problem' in answer) ? answer : null;
  const onFace = job.face.id;
  const path = useMemo(() => bondPerimeter(job.device, job.bond), [job.device, job.bond]);

  const addCrack = (make: () => Pt[]) => {
    try {
      if (job.cracks.size >= maxCracks) throw new CoreInputError('cracks', job.cracks.size + 1, `up to ${maxCracks}`);
      const pts = [...make()] as [number, number][];
      const { min, max } = boxOf(job.face.cover.outline);
      const off = pts.find((p) => p.some((v, i) => v < min[i]! - offMm || v > max[i]! + offMm));
      if (off)
        throw new CoreInputError(
          'crack, point',
          `${off[0]},${off[1]}`,
          `x ${min[0] - offMm} to ${max[0] + offMm}, y ${min[1] - offMm} to ${max[1] + offMm} mm`,
        );
      const events: NewEvent[] = [{ type: 'crack', crackId: newId(), onFace, pts }];
      if (job.findings.crack?.answer !== 'yes')
        events.push({ type: 'finding', kind: 'crack', answer: 'yes', edges: job.findings.crack?.edges ?? [] });
      void log(events);
      setProblem(null);
      return true;
    } catch (e) {
      setProblem(e instanceof Error ? e.message : 'not a crack');
      return false;
    }
  };
  const onStroke = (pts: Pt[] | null, done: boolean) => {
    stroke.set(done ? null : pts);
    if (!done) return preview(pts);
    // a finger that starts or ends beside the device draws only what lies on it; a tap is no crack, and no mistake either
    const { min, max } = boxOf(job.face.cover.outline);
    const on = (pts ?? []).filter((p) => p.every((v, i) => v > min[i]! - besideMm && v < max[i]! + besideMm));
    const kept = on.length > 1 && spread(on) >= 1 && addCrack(() => polylineOf(on, 'crack'));
    if (!kept) preview(null);
  };
  const onTap = (p: Pt) => {
    if (mode === 'chip') {
      const edge = new Perimeter(job.face.cover.outline);
      const at = edge.point(edge.locate(p)).at;
      const events: NewEvent[] = [{ type: 'chipMark', chipId: newId(), onFace, place: [round(at[0]), round(at[1])] }];
      if (job.findings.chip?.answer !== 'yes') events.push({ type: 'finding', kind: 'chip', answer: 'yes' });
      void log(events);
      return;
    }
    const near = nearest(job, p);
    if (near) void log([near]);
    else setProblem(`nothing within ${length(reachMm, settings, 0)} to rub out`);
  };
  const last = job.effective.findLast((e) => crackEvents.has(e.type));
  const pieces = found?.map.pieces ?? [];
  const first = found?.steps[0];
  const drawn = useMemo(() => (found ? piecesDrawn(found) : []), [found]);
  const lines = useMemo(() => {
    const pieceLine = (i: number) => {
      const s = found!.steps[i]!;
      const p = found!.map.pieces[s.pieceId]!;
      return `${i + 1}: ${area(p.areaMm2, settings)}, ${placeOf(path, p.labelAt)}, ${pieceReasons(s, settings)}`;
    };
    return [
      ...(found?.steps.map((_, i) => pieceLine(i)) ?? []),
      ...(found?.map.dangling.length
        ? [`${length(found.map.danglingMm, settings, 0)} of crack ends inside and frees no piece`]
        : []),
      ...[...job.chips.values()].map((p) => `chip at the ${placeName(path, path.locate(p))}`),
    ];
  }, [found, job.chips, path, settings]);
  return (
    <JobPage
      job={job}
      title="Crack map"
      now={now}
      stage="intake"
      lead={
        <View>
          <Choice
            label="The finger"
            value={mode}
            options={[
              { id: 'draw', name: 'Draws' },
              { id: 'chip', name: 'Chip' },
              { id: 'rub', name: 'Rubs out' },
              { id: 'look', name: 'Looks' },
            ]}
            onChange={(m) => {
              setMode(m);
              setProblem(null);
            }}
          />
          {problem ? (
            <View role="alert" className="mb-2">
              <Txt tone="caution">{problem}</Txt>
            </View>
          ) : null}
        </View>
      }
      picture={(size) => (
        <PlainPlan
          job={job}
          size={size}
          label={`Crack map: ${job.cracks.size} cracks, ${pieces.length} ${pieces.length === 1 ? 'piece' : 'pieces'}, ${job.chips.size} chips`}
          lines={lines}
          {...(mode === 'draw' ? { onStroke } : mode === 'look' ? {} : { onTap })}
        >
          {found ? <Pieces pieces={drawn} dangling={found.map.dangling} /> : null}
          <Chips at={[...job.chips.values()]} />
          <LiveStroke store={stroke} />
        </PlainPlan>
      )}
      side={
        <Button
          label="Undo"
          disabled={!last}
          onPress={() => {
            if (last) undo(last.id);
          }}
        />
      }
      main={<Button kind="main" label="Map is done" onPress={() => router.replace(backHref(job, 'intake'))} />}
    >
      <View className="mt-3">
        {first && pieces.length > 1 ? (
          <Call
            sentence={`${pieces.length} pieces. Piece 1 first: ${area(pieces[first.pieceId]!.areaMm2, settings)}, ${placeOf(path, pieces[first.pieceId]!.labelAt)}.`}
            reason={`Because it is ${pieceReasons(first, settings)}. ${found!.steps.filter((s) => s.risk === 2).length} at a camera, left to the end.`}
            tone="ink"
          />
        ) : (
          <Call
            sentence={
              !job.cracks.size
                ? 'No crack drawn.'
                : found
                  ? 'One piece: no crack frees a part of the glass.'
                  : answer
                    ? 'The pieces are not computed.'
                    : 'Computing the pieces.'
            }
            reason={
              answer && 'problem' in answer
                ? `${answer.problem[0]!.toUpperCase()}${answer.problem.slice(1)}. The cracks are kept; plan the pieces by eye, or load the page again.`
                : 'Draw from edge to edge; an end near an edge or another crack meets it.'
            }
            tone="ink"
          />
        )}
        {found?.map.dangling.length ? (
          <Txt size="s" className="mt-1">
            Dashed: {length(found.map.danglingMm, settings, 0)} of crack ends inside and frees no piece.
          </Txt>
        ) : null}
      </View>
      {found && pieces.length > 1 ? <OrderList found={found} settings={settings} /> : null}
      <View className="mt-4">
        <Txt strong className="mb-1">
          Type a crack
        </Txt>
        <Entry label="Points as x,y in mm from the top left corner" value={typed} onChange={setTyped} max={100_000} />
        <Button
          kind="small"
          label="Add the crack"
          disabled={!typed.trim()}
          onPress={() => {
            if (addCrack(() => typedCrack(typed, 'crack'))) setTyped('');
          }}
        />
      </View>
      <Marks cracks={job.cracks} chips={job.chips} path={path} settings={settings} log={log} />
      <Txt size="s" tone="ink2" className="mt-3">
        Splinters: eye cover, gloves, tape over the glass before it is touched. Pieces and order are computed from the
        drawing; what the glass does under the blade decides.
      </Txt>
    </JobPage>
  );
}

type StrokeStore = ReturnType<typeof strokeStore>;

/** Holds the stroke under the finger for whoever draws it. */
function strokeStore() {
  let pts: readonly Pt[] | null = null;
  const listeners = new Set<() => void>();
  return {
    get: () => pts,
    set: (next: readonly Pt[] | null) => {
      pts = next;
      listeners.forEach((l) => l());
    },
    subscribe: (l: () => void) => {
      listeners.add(l);
      return () => void listeners.delete(l);
    },
  };
}

function LiveStroke({ store }: { store: StrokeStore }) {
  const pts = useSyncExternalStore(store.subscribe, store.get, store.get);
  return pts ? <Stroke pts={pts} /> : null;
}

const listed = 60;

const OrderList = memo(function OrderList({ found, settings }: { found: Found; settings: Settings }) {
  const total = found.map.pieces.reduce((m, p) => m + p.areaMm2, 0);
  return (
    <View className="mt-3" role="list" aria-label="Order of lifting">
      <Txt strong className="mb-1">
        Order of lifting
      </Txt>
      {found.steps.slice(0, listed).map((s, i) => (
        <View key={s.pieceId} role="listitem" className="flex-row gap-2 py-1 border-b border-rule">
          <Txt num strong className="w-[34px]">
            {i + 1}
          </Txt>
          <View className="flex-1">
            <Txt size="s">{pieceReasons(s, settings)}</Txt>
            <Txt size="s" tone="ink2">
              {area(s.areaMm2, settings)}, {percent(s.areaMm2 / total)} of the glass
            </Txt>
          </View>
        </View>
      ))}
      {found.steps.length > listed ? <Txt size="s">and {found.steps.length - listed} more</Txt> : null}
    </View>
  );
});

interface MarksProps extends Pick<JobState, 'cracks' | 'chips'> {
  path: Perimeter;
  settings: Settings;
  log: (events: NewEvent[]) => unknown;
}

/** Every mark of the map with its way to rub it out by key. */
const Marks = memo(function Marks({ cracks, chips, path, settings, log }: MarksProps) {
  return (
    <View className="mt-4" role="list" aria-label="Cracks and chips">
      {[...cracks].map(([id, pts], i) => (
        <Row
          key={id}
          text={`Crack ${i + 1}: ${length(lengthOf(pts), settings, 0)}, ${pts.length} points`}
          action={`Rub out crack ${i + 1}`}
          onPress={() => void log([{ type: 'crackGone', crackId: id }])}
        />
      ))}
      {[...chips].map(([id, at], i) => (
        <Row
          key={id}
          text={`Chip ${i + 1}: ${placeName(path, path.locate(at))}`}
          action={`Rub out chip ${i + 1}`}
          onPress={() => void log([{ type: 'chipGone', chipId: id }])}
        />
      ))}
    </View>
  );
});

function Row({ text, action, onPress }: { text: string; action: string; onPress: () => void }) {
  return (
    <View role="listitem" className="flex-row items-center gap-2 border-b border-rule py-1">
      <Txt size="s" className="flex-1">
        {text}
      </Txt>
      <Button kind="small" label={action} onPress={onPress} />
    </View>
  );
}

const round = (v: number) => Math.round(v * 100) / 100;
const spread = (pts: readonly Pt[]) => Math.max(...pts.map((p) => Math.hypot(p[0] - pts[0]![0], p[1] - pts[0]![1])));
const lengthOf = (pts: readonly Pt[]) =>
  pts.reduce((m, p, i) => (i ? m + Math.hypot(p[0] - pts[i - 1]![0], p[1] - pts[i - 1]![1]) : 0), 0);

/** "near the left edge, lower" or "in the middle". */
function placeOf(path: Perimeter, at: Pt): string {
  const s = path.locate(at);
  const p = path.point(s);
  if (Math.hypot(p.at[0] - at[0], p.at[1] - at[1]) > path.lengthMm / 12) return 'in the middle';
  return `by the ${placeName(path, s)}`;
}

/** The crack or chip that a finger means, as the event that rubs it out. */
function nearest(job: JobState, p: Pt): NewEvent | null {
  let best = reachMm;
  let out: NewEvent | null = null;
  for (const [crackId, pts] of job.cracks)
    for (let i = 0; i + 1 < pts.length; i++) {
      const { d } = nearSegment(p, pts[i]!, pts[i + 1]!);
      if (d < best) {
        best = d;
        out = { type: 'crackGone', crackId };
      }
    }
  for (const [chipId, at] of job.chips) {
    const d = Math.hypot(at[0] - p[0], at[1] - p[1]);
    if (d < best) {
      best = d;
      out = { type: 'chipGone', chipId };
    }
  }
  return out;
}
