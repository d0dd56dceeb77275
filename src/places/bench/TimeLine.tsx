import { useMemo, useRef, useState } from 'react';
import { View, type GestureResponderEvent } from 'react-native';
import Svg, { Defs, G, Line, Path, Pattern, Rect, Text as SvgText } from 'react-native-svg';

import { useTokens } from '@/ui/theme';
import { time } from '@/words/units';
import type { Bar, Lane } from '@/work/bench/lanes';

const left = 76;
const head = 22;
const slotHeight = 26;
const gap = 8;
/** a finger that moves less has pressed, px */
const slop = 7;
const stepMs = 5 * 60e3;

export interface Dropped {
  bar: Bar;
  at: number;
  /** lane that it was dropped on */
  lane: Lane | null;
}

interface Row {
  lane: Lane;
  y: number;
  h: number;
  slots: number;
}

function rowsOf(lanes: readonly Lane[]): Row[] {
  const out: Row[] = [];
  for (const lane of lanes) {
    const slots = Math.min(4, Math.max(1, ...lane.bars.map((b) => b.slots)));
    const above = out[out.length - 1];
    out.push({ lane, y: above ? above.y + above.h + gap : head, h: slots * slotHeight, slots });
  }
  return out;
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

/** Rows of the plan: who, heater, clamps, shelf. A bar can be dragged to another time or another person. */
export function TimeLine(p: TimeLineProps) {
  const t = useTokens();
  const { lanes, fromAt, toAt, width } = p;
  const scale = (width - left) / (toAt - fromAt);
  const x = (at: number) => left + (Math.max(fromAt, Math.min(toAt, at)) - fromAt) * scale;
  const rows = useMemo(() => rowsOf(lanes), [lanes]);
  const height = (rows.length ? rows[rows.length - 1]!.y + rows[rows.length - 1]!.h : head) + 4;
  const box = (row: Row, b: Bar) => ({
    x: x(b.fromAt),
    y: row.y + Math.min(b.slot, row.slots - 1) * slotHeight,
    w: Math.max(3, x(b.toAt) - x(b.fromAt)),
    h: slotHeight - 2,
  });
  const [drag, setDrag] = useState<{ bar: Bar; dx: number; dy: number } | null>(null);
  const held = useRef<{ bar: Bar; y: number; moved: boolean; pageX: number; pageY: number } | null>(null);
  // narrow bars are hard to hit: the nearest within a finger's width counts
  const hit = (px: number, py: number): { bar: Bar; y: number } | null => {
    let best: { bar: Bar; y: number; d: number } | null = null;
    for (const row of rows) {
      if (py < row.y - gap / 2 || py > row.y + row.h + gap / 2) continue;
      for (const bar of row.lane.bars) {
        const q = box(row, bar);
        const dx = Math.max(q.x - px, px - q.x - q.w, 0);
        const dy = Math.max(q.y - py, py - q.y - q.h, 0);
        const d = dx + dy;
        if (d <= 18 && (!best || d < best.d)) best = { bar, y: q.y, d };
      }
    }
    return best;
  };
  const responder = {
    onStartShouldSetResponder: (e: GestureResponderEvent) =>
      hit(e.nativeEvent.locationX, e.nativeEvent.locationY) !== null,
    onResponderGrant: (e: GestureResponderEvent) => {
      const { locationX, locationY, pageX, pageY } = e.nativeEvent;
      const found = hit(locationX, locationY);
      held.current = found ? { ...found, moved: false, pageX, pageY } : null;
    },
    onResponderMove: (e: GestureResponderEvent) => {
      const h = held.current;
      if (!h || h.bar.state === 'going') return;
      const [dx, dy] = [e.nativeEvent.pageX - h.pageX, e.nativeEvent.pageY - h.pageY];
      if (!h.moved && Math.hypot(dx, dy) < slop) return;
      h.moved = true;
      setDrag({ bar: h.bar, dx, dy });
    },
    onResponderRelease: (e: GestureResponderEvent) => {
      const h = held.current;
      held.current = null;
      setDrag(null);
      if (!h) return;
      if (!h.moved) return p.onChoose(h.bar);
      const at = Math.round((h.bar.fromAt + (e.nativeEvent.pageX - h.pageX) / scale) / stepMs) * stepMs;
      const y = h.y + slotHeight / 2 + e.nativeEvent.pageY - h.pageY;
      const row = rows.find((r) => y >= r.y - gap / 2 && y <= r.y + r.h + gap / 2);
      p.onDrop({ bar: h.bar, at, lane: row?.lane ?? null });
    },
    onResponderTerminate: () => {
      held.current = null;
      setDrag(null);
    },
    // a page that scrolls may take the finger while nothing is dragged
    onResponderTerminationRequest: () => !held.current?.moved,
  };
  const hours = (toAt - fromAt) / 3600e3;
  const tickMs = (hours <= 3 ? 0.5 : hours <= 9 ? 1 : hours <= 18 ? 2 : hours <= 30 ? 4 : 12) * 3600e3;
  const zone = new Date(fromAt).getTimezoneOffset() * 60e3;
  const ticks: number[] = [];
  for (let k = Math.ceil((fromAt - zone) / tickMs) * tickMs + zone; k < toAt; k += tickMs) ticks.push(k);
  const said = `Plan from ${time(fromAt)} to ${time(toAt)}: ${lanes
    .map((l) => `${l.name} ${l.bars.length ? l.bars.map((b) => `${b.label} ${time(b.fromAt)}`).join(', ') : 'nothing'}`)
    .join('; ')}`;
  return (
    <View {...responder} style={{ width, height, touchAction: 'pan-y' } as object} testID="timeline">
      <Svg width={width} height={height} role="img" aria-label={said} pointerEvents="none">
        <Defs>
          <Pattern id="shut" width={7} height={7} patternUnits="userSpaceOnUse">
            <Path d="M0 7 L7 0" stroke={t.ink2} strokeWidth={0.8} />
          </Pattern>
        </Defs>
        {ticks.map((k) => (
          <G key={k}>
            <Line x1={x(k)} x2={x(k)} y1={head - 4} y2={height} stroke={t.rule} strokeWidth={1} />
            {x(k) < width - 18 ? (
              <SvgText x={x(k)} y={13} fontSize={12} fontFamily="Mono_500" fill={t.ink2} textAnchor="middle">
                {time(k)}
              </SvgText>
            ) : null}
          </G>
        ))}
        {rows.map((row) => (
          <G key={row.lane.id}>
            <SvgText
              x={0}
              y={row.y + 17}
              fontSize={12.5}
              fontFamily={row.lane.kind === 'person' ? 'Next_700' : 'Next_400'}
              fill={t.ink}
            >
              {row.lane.name.length > 12 ? `${row.lane.name.slice(0, 11)}…` : row.lane.name}
            </SvgText>
            <Line x1={left} x2={width} y1={row.y + row.h + gap / 2} y2={row.y + row.h + gap / 2} stroke={t.rule} />
            {row.lane.shut.map((s) => (
              <Rect
                key={s.from}
                x={x(s.from)}
                y={row.y}
                width={Math.max(0, x(s.to) - x(s.from))}
                height={row.h}
                fill="url(#shut)"
                opacity={0.55}
              />
            ))}
            {row.lane.bars.map((b) => {
              const q = box(row, b);
              const on = p.chosen?.job === b.entry.job && p.chosen.task === b.entry.task;
              const fill = b.state === 'going' ? t.ink : t.panel;
              const stroke = b.late ? t.caution : t.ink;
              return (
                <G key={`${b.entry.job}${b.entry.task}`}>
                  {b.windowTo !== null && x(b.windowTo) > q.x + q.w + 1 ? (
                    <Path
                      d={`M${q.x + q.w} ${q.y + q.h / 2} H${x(b.windowTo)} M${x(b.windowTo)} ${q.y + 4} V${q.y + q.h - 4}`}
                      stroke={t.go}
                      strokeWidth={2}
                      fill="none"
                    />
                  ) : null}
                  <Rect
                    x={q.x + 0.75}
                    y={q.y + 0.75}
                    width={Math.max(2, q.w - 1.5)}
                    height={q.h - 1.5}
                    fill={fill}
                    stroke={stroke}
                    strokeWidth={on ? 3.5 : b.state === 'pinned' ? 3 : 1.5}
                    {...(b.hands || b.state === 'going' ? {} : { strokeDasharray: '4 3' })}
                  />
                  {q.w >= 20 ? (
                    <SvgText
                      x={q.x + (q.w >= 48 ? 5 : q.w / 2)}
                      textAnchor={q.w >= 48 ? 'start' : 'middle'}
                      y={q.y + 16}
                      fontSize={12}
                      fontFamily="Mono_500"
                      fill={b.state === 'going' ? t.onInk : b.late ? t.caution : t.ink}
                    >
                      {q.w >= 48 ? b.label : b.label.slice(-2)}
                    </SvgText>
                  ) : null}
                </G>
              );
            })}
          </G>
        ))}
        <Line x1={x(p.now)} x2={x(p.now)} y1={head - 6} y2={height} stroke={t.ink} strokeWidth={2.5} />
        {drag ? (
          <Ghost
            x={x(drag.bar.fromAt) + drag.dx}
            y={(rows.find((r) => r.lane.bars.includes(drag.bar))?.y ?? head) + drag.dy}
            w={Math.max(24, x(drag.bar.toAt) - x(drag.bar.fromAt))}
            text={time(Math.round((drag.bar.fromAt + drag.dx / scale) / stepMs) * stepMs)}
          />
        ) : null}
      </Svg>
    </View>
  );
}

/** Where a bar would go, with its time. */
function Ghost({ x, y, w, text }: { x: number; y: number; w: number; text: string }) {
  const t = useTokens();
  return (
    <G>
      <Rect
        x={x}
        y={y}
        width={w}
        height={slotHeight - 2}
        fill={t.panel}
        opacity={0.85}
        stroke={t.ink}
        strokeWidth={3}
      />
      <Line x1={x} x2={x} y1={head - 4} y2={y} stroke={t.ink} strokeWidth={1.5} strokeDasharray="3 3" />
      <SvgText x={x + 4} y={y + 17} fontSize={13} fontFamily="Mono_700" fill={t.ink}>
        {text}
      </SvgText>
    </G>
  );
}
