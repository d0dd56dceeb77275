import {
  DndContext,
  KeyboardSensor,
  MouseSensor,
  TouchSensor,
  useSensor,
  useSensors,
  type DragEndEvent,
  type Active,
  type KeyboardCoordinateGetter,
} from '@dnd-kit/core';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import Svg, { Defs, G, Line, Path, Pattern, Rect, Text as SvgText } from 'react-native-svg';

import { taskName } from '@/words/stageWords';
import { useTokens } from '@/ui/theme';
import { time } from '@/words/units';
import type { Bar, Lane } from '@/work/bench/lanes';
import { BarHandle, barId } from './BarHandle';
import { BarShape, Ghost, RunShape } from './BarShape';
import { runsOf, type BarRun } from './barRuns';
import { headHeight, labelWidth, slotHeight, timeScale, type Row, type TimeScale } from './timeScale';
import { t as tr } from '@/words/bench';
import { told } from '@/words/told';

/** a finger that moves less has pressed, px; a finger that scrolls moves before this time, ms */
const slop = 7;
const holdMs = 180;

export interface Dropped {
  bar: Bar;
  at: number;
  /** lane that it was dropped on */
  lane: Lane | null;
}

interface TimeLineProps {
  lanes: Lane[];
  fromAt: number;
  toAt: number;
  now: number;
  width: number;
  chosen: { job: string; task: string } | null;
  onChoose: (bar: Bar) => void;
  onDrop: (d: Dropped) => void;
}

/** Arrows move a bar that was taken up: by a step of time, or to the next row. */
const byArrows =
  (s: TimeScale): KeyboardCoordinateGetter =>
  (e, { currentCoordinates: { x, y } }) => {
    const to: Record<string, { x: number; y: number }> = {
      ArrowLeft: { x: x - s.stepPx, y },
      ArrowRight: { x: x + s.stepPx, y },
      ArrowUp: { x, y: y - slotHeight },
      ArrowDown: { x, y: y + slotHeight },
    };
    return to[e.code];
  };

const barOf = (a: Active) => a.data.current!.bar as Bar;
/** How far a bar was moved, px. */
function movedPx({ rect }: Active): number {
  const { initial, translated } = rect.current;
  return initial && translated ? translated.left - initial.left : 0;
}

/** Rows of the plan: who, heater, clamps, shelf. A bar can be dragged to another time or another person, by finger or keys. */
export function TimeLine(p: TimeLineProps) {
  const { lanes, fromAt, toAt, width } = p;
  const s = useMemo(() => timeScale(lanes, fromAt, toAt, width), [lanes, fromAt, toAt, width]);
  const [drag, setDrag] = useState<{ bar: Bar; row: string; dx: number; dy: number } | null>(null);
  const sensors = useSensors(
    useSensor(MouseSensor, { activationConstraint: { distance: slop } }),
    useSensor(TouchSensor, { activationConstraint: { delay: holdMs, tolerance: slop } }),
    useSensor(KeyboardSensor, {
      coordinateGetter: byArrows(s),
      keyboardCodes: { start: ['Space'], cancel: ['Escape'], end: ['Space', 'Enter'] },
    }),
  );
  const end = (e: DragEndEvent) => {
    const bar = barOf(e.active);
    const row = s.rows.find((r) => r.lane.id === e.active.data.current!.row);
    setDrag(null);
    if (!row || !(e.delta.x || e.delta.y)) return;
    const y = s.box(row, bar).y + slotHeight / 2 + e.delta.y;
    p.onDrop({ bar, at: s.movedTo(bar, e.delta.x), lane: s.rowAt(y)?.lane ?? null });
  };
  const said = (a: Active) => tr('barAt', { label: barOf(a).label, at: time(s.movedTo(barOf(a), movedPx(a))) });
  return (
    <DndContext
      sensors={sensors}
      autoScroll={false}
      onDragMove={({ active, delta }) =>
        setDrag({ bar: barOf(active), row: String(active.data.current!.row), dx: delta.x, dy: delta.y })
      }
      onDragEnd={end}
      onDragCancel={() => setDrag(null)}
      accessibility={{
        screenReaderInstructions: {
          draggable: tr('enterOpensTheTaskSpaceTakes'),
        },
        announcements: {
          onDragStart: (e) => tr('takenUp', { label: barOf(e.active).label }),
          onDragMove: (e) => said(e.active),
          onDragOver: () => undefined,
          onDragEnd: () => tr('setDown'),
          onDragCancel: () => tr('leftWhereItWas'),
        },
      }}
    >
      <View style={{ width, height: s.height }} testID="timeline">
        <Drawing {...p} s={s}>
          {drag ? (
            <Ghost
              x={s.x(drag.bar.fromAt) + drag.dx}
              y={(s.rows.find((r) => r.lane.id === drag.row)?.y ?? headHeight) + drag.dy}
              w={Math.max(24, s.x(drag.bar.toAt) - s.x(drag.bar.fromAt))}
              text={time(s.movedTo(drag.bar, drag.dx))}
            />
          ) : null}
        </Drawing>
        {s.rows.flatMap((row) =>
          row.lane.bars.map((b) => (
            <BarHandle
              key={`${row.lane.id}${barId(b)}`}
              bar={b}
              row={row.lane.id}
              task={taskName(b.entry.task)}
              box={s.box(row, b)}
              onChoose={() => p.onChoose(b)}
            />
          )),
        )}
      </View>
    </DndContext>
  );
}

/** The picture under the handles: hours, rows, bars, now. */
function Drawing({
  lanes,
  fromAt,
  toAt,
  now,
  chosen,
  s,
  children,
}: TimeLineProps & { s: TimeScale; children: React.ReactNode }) {
  const t = useTokens();
  const said = tr('planFromTo', {
    fromAt: time(fromAt),
    toAt: time(toAt),
    list: lanes
      .map(
        (l) =>
          `${told(l.name)} ${l.bars.length ? l.bars.map((b) => `${b.label} ${time(b.fromAt)}`).join(', ') : told('nothing')}`,
      )
      .join('; '),
  });
  return (
    <Svg width={s.width} height={s.height} role="img" aria-label={said} pointerEvents="none">
      <Defs>
        <Pattern id="shut" width={7} height={7} patternUnits="userSpaceOnUse">
          <Path d="M0 7 L7 0" stroke={t.ink2} strokeWidth={0.8} />
        </Pattern>
      </Defs>
      {s.ticks.map((k) => (
        <G key={k}>
          <Line x1={s.x(k)} x2={s.x(k)} y1={headHeight - 4} y2={s.height} stroke={t.rule} strokeWidth={1} />
          {s.x(k) < s.width - 18 ? (
            <SvgText x={s.x(k)} y={13} fontSize={12} fontFamily="Mono_500" fill={t.ink2} textAnchor="middle">
              {time(k)}
            </SvgText>
          ) : null}
        </G>
      ))}
      {s.rows.map((row) => (
        <LaneRow key={row.lane.id} row={row} s={s} chosen={chosen} />
      ))}
      <Line x1={s.x(now)} x2={s.x(now)} y1={headHeight - 6} y2={s.height} stroke={t.ink} strokeWidth={2.5} />
      {children}
    </Svg>
  );
}

/** One row: its name, when nobody is there, its bars. */
function LaneRow({ row, s, chosen }: { row: Row; s: TimeScale; chosen: TimeLineProps['chosen'] }) {
  const t = useTokens();
  const { lane } = row;
  const isChosen = (b: Bar) => chosen?.job === b.entry.job && chosen.task === b.entry.task;
  return (
    <G>
      <SvgText
        x={0}
        y={row.y + 17}
        fontSize={12.5}
        fontFamily={lane.kind === 'person' ? 'Next_700' : 'Next_400'}
        fill={t.ink}
      >
        {told(lane.name).length > 12 ? `${told(lane.name).slice(0, 11)}…` : told(lane.name)}
      </SvgText>
      <Line x1={labelWidth} x2={s.width} y1={s.bottomOf(row)} y2={s.bottomOf(row)} stroke={t.rule} />
      {lane.shut.map((shut) => (
        <Rect
          key={shut.from}
          x={s.x(shut.from)}
          y={row.y}
          width={Math.max(0, s.x(shut.to) - s.x(shut.from))}
          height={row.h}
          fill="url(#shut)"
          opacity={0.55}
        />
      ))}
      {runsOf(lane.bars.map((bar) => ({ bar, box: s.box(row, bar) }))).map((run) => {
        const [{ bar, box }] = run.bars as [BarRun['bars'][number]];
        return run.bars.length > 1 ? (
          <RunShape key={barId(bar)} run={run} chosen={isChosen} />
        ) : (
          <BarShape
            key={barId(bar)}
            bar={bar}
            box={box}
            on={isChosen(bar)}
            windowX={bar.windowTo === null ? null : s.x(bar.windowTo)}
          />
        );
      })}
    </G>
  );
}
