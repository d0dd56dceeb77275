import { bisectCenter } from 'd3-array';
import { area, line } from 'd3-shape';
import { memo, useEffect, useMemo, useRef, useState } from 'react';
import { View } from 'react-native';
import Svg, { Circle, G, Line, Path, Rect, Text } from 'react-native-svg';

import { Disclosure } from '../Disclosure';
import { Table } from '../Table';
import { useTokens } from '../theme';
import { Txt } from '../Txt';
import { letter, plotLayout, plotRows, xAt, xOf, type PlotData, type PlotLine } from './plotLayout';
import { t as tr } from '@/words/ui';

export interface PlotProps extends PlotData {
  /** what it shows, for those who do not see it */
  label: string;
  width: number;
  height?: number;
  /** the same numbers stand in a table beside it already */
  table?: boolean;
}

const place = (values: readonly (number | null)[], at: readonly number[]) =>
  at.flatMap((x, i) => (values[i] === null || values[i] === undefined ? [] : [[x, values[i]] as [number, number]]));

/**
 * Curves with their ranges, marks that are named at the line, instants and spans, all to scale. A finger, the mouse or the
 * arrow keys read it out at a place; the numbers stand in a table behind it.
 */
export const Plot = memo(function Plot(p: PlotProps) {
  const { label, width, height = 190, table = true } = p;
  const t = useTokens();
  const l = useMemo(() => plotLayout(p, width, height), [p, width, height]);
  const [read, setRead] = useState<number | null>(null);
  const n = p.x.at.length;
  const at = read === null ? null : Math.min(read, n - 1);
  const holder = useReading((px) =>
    setRead(px === null ? null : bisectCenter(p.x.at as number[], xAt(l, p.x.kind, px))),
  );
  const told = (i: number) =>
    `${p.x.text(p.x.at[i]!)}: ${p.lines
      .flatMap((c) => (c.y[i] === null || c.y[i] === undefined ? [] : [`${c.name} ${p.y.text(c.y[i])}`]))
      .join(', ')}`;
  const X = (x: number) => xOf(l, p.x.kind, x);
  const keys: Record<string, () => number | null> = {
    ArrowRight: () => Math.min(n - 1, (at ?? -1) + 1),
    ArrowLeft: () => Math.max(0, (at ?? 1) - 1),
    Home: () => 0,
    End: () => n - 1,
    Escape: () => null,
  };
  return (
    <View style={{ width }}>
      <Txt size="s" tone="ink2" numberOfLines={2}>
        {at === null ? p.y.name : told(at)}
      </Txt>
      <View
        ref={holder}
        role="slider"
        tabIndex={0}
        aria-label={label}
        aria-valuemin={0}
        aria-valuemax={n - 1}
        aria-valuenow={at ?? 0}
        aria-valuetext={at === null ? p.y.name : told(at)}
        style={{ width, height, touchAction: 'pan-y' } as object}
        {...({
          onKeyDown: (e: { key: string; preventDefault(): void }) => {
            const to = keys[e.key];
            if (!to) return;
            e.preventDefault();
            setRead(to());
          },
        } as object)}
      >
        <Svg width={width} height={height} aria-hidden pointerEvents="none">
          {l.spans.map((s) => (
            <G key={s.text}>
              <Rect x={s.x} y={l.top} width={s.width} height={l.bottom - l.top} fill={t.go} fillOpacity={0.14} />
              <Name x={s.textX} y={s.y} text={s.text} fill={t.ink2} anchor="middle" />
            </G>
          ))}
          {l.yTicks.map((k) => (
            <G key={k.value}>
              <Line x1={l.left} x2={l.right} y1={k.y - 4} y2={k.y - 4} stroke={t.rule} />
              <Figure x={k.x} y={k.y} text={k.text} fill={t.ink2} anchor="end" />
            </G>
          ))}
          {l.xTicks.map((k) => (
            <Figure key={k.text} x={k.x} y={k.y} text={k.text} fill={t.ink2} anchor="middle" />
          ))}
          {l.instants.map((i) => (
            <G key={i.text}>
              <Line x1={i.lineX} x2={i.lineX} y1={i.from} y2={l.bottom} stroke={t.ink} strokeWidth={1.5} />
              <Name x={i.x} y={i.y} text={i.text} fill={t.ink} anchor="middle" />
            </G>
          ))}
          {p.lines.map((c) => (
            <Curve key={c.id} c={c} at={p.x.at} X={X} Y={l.y} stroke={t[c.tone ?? 'ink']} />
          ))}
          {(p.points?.at ?? []).map(([x, y], i) => (
            <Circle key={i} cx={X(x)} cy={l.y(y)} r={2.5} fill={t[p.points!.tone ?? 'go']} />
          ))}
          {l.marks.map((m) => (
            <G key={m.text}>
              <Line
                x1={l.left}
                x2={l.right}
                y1={m.lineY}
                y2={m.lineY}
                stroke={t[m.tone]}
                strokeWidth={1.5}
                strokeDasharray="1 3"
              />
              <Name x={m.x} y={m.y} text={m.text} fill={t[m.tone]} anchor="end" halo={t.paper} />
            </G>
          ))}
          {at === null ? null : (
            <G>
              <Line x1={X(p.x.at[at]!)} x2={X(p.x.at[at]!)} y1={l.top} y2={l.bottom} stroke={t.ink2} />
              {p.lines.map((c) =>
                c.y[at] === null || c.y[at] === undefined ? null : (
                  <Circle key={c.id} cx={X(p.x.at[at]!)} cy={l.y(c.y[at])} r={4} fill={t[c.tone ?? 'ink']} />
                ),
              )}
            </G>
          )}
        </Svg>
      </View>
      {p.lines.length > 1 || p.points ? (
        <Legend
          lines={[
            ...p.lines,
            ...(p.points
              ? [{ id: 'points', name: p.points.name, y: [], dots: true, tone: p.points.tone ?? 'go' }]
              : []),
          ]}
        />
      ) : null}
      {table ? (
        <Disclosure bare title={tr('asATable')}>
          <Table label={label} {...plotRows(p)} />
        </Disclosure>
      ) : null}
    </View>
  );
});

function Curve({
  c,
  at,
  X,
  Y,
  stroke,
}: {
  c: PlotLine;
  at: readonly number[];
  X: (x: number) => number;
  Y: (y: number) => number;
  stroke: string;
}) {
  const pts = place(c.y, at);
  const band = c.band;
  return (
    <G>
      {band ? (
        <Path
          d={
            area<number>()
              .x((_, i) => X(at[i]!))
              .y0((_, i) => Y(band.low[i]!))
              .y1((_, i) => Y(band.high[i]!))(band.low as number[]) ?? ''
          }
          fill={stroke}
          fillOpacity={0.16}
        />
      ) : null}
      {c.dots ? (
        pts.map(([x, y], i) => <Circle key={i} cx={X(x)} cy={Y(y)} r={2.5} fill={stroke} />)
      ) : (
        <Path
          d={
            line<[number, number]>(
              (q) => X(q[0]),
              (q) => Y(q[1]),
            )(pts) ?? ''
          }
          fill="none"
          stroke={stroke}
          strokeWidth={2.5}
          strokeLinejoin="round"
          {...(c.dash ? { strokeDasharray: c.dash.join(' ') } : {})}
        />
      )}
    </G>
  );
}

/** Which line is which: by its dashes as much as by its colour. */
function Legend({ lines }: { lines: readonly PlotLine[] }) {
  const t = useTokens();
  return (
    <View className="flex-row flex-wrap gap-x-4">
      {lines.map((c) => (
        <View key={c.id} className="flex-row items-center gap-2">
          <Svg width={26} height={10} aria-hidden>
            {c.dots ? (
              <Circle cx={13} cy={5} r={3} fill={t[c.tone ?? 'ink']} />
            ) : (
              <Line
                x1={0}
                x2={26}
                y1={5}
                y2={5}
                stroke={t[c.tone ?? 'ink']}
                strokeWidth={2.5}
                {...(c.dash ? { strokeDasharray: c.dash.join(' ') } : {})}
              />
            )}
          </Svg>
          <Txt size="s" tone="ink2">
            {c.name}
          </Txt>
        </View>
      ))}
    </View>
  );
}

interface Letters {
  x: number;
  y: number;
  text: string;
  fill: string;
  anchor: 'middle' | 'end';
  halo?: string;
}

const Name = ({ x, y, text, fill, anchor, halo }: Letters) => (
  <>
    {halo ? (
      <Text x={x} y={y} fontSize={letter.px} fontFamily="Next_400" textAnchor={anchor} stroke={halo} strokeWidth={4}>
        {text}
      </Text>
    ) : null}
    <Text x={x} y={y} fontSize={letter.px} fontFamily="Next_400" textAnchor={anchor} fill={fill}>
      {text}
    </Text>
  </>
);

const Figure = ({ x, y, text, fill, anchor }: Letters) => (
  <Text x={x} y={y} fontSize={letter.px} fontFamily="Mono_500" textAnchor={anchor} fill={fill}>
    {text}
  </Text>
);

/** Where a finger or the mouse is over the plot, px from its left; null when it has left. */
function useReading(onRead: (px: number | null) => void) {
  const holder = useRef<View>(null);
  const latest = useRef(onRead);
  useEffect(() => {
    latest.current = onRead;
  });
  useEffect(() => {
    const el = holder.current as unknown as HTMLElement | null;
    if (!el?.addEventListener) return undefined;
    const on = (e: PointerEvent) => latest.current(e.clientX - el.getBoundingClientRect().left);
    const off = (e: PointerEvent) => {
      // a finger that is lifted leaves the reading where it was
      if (e.pointerType === 'mouse') latest.current(null);
    };
    el.addEventListener('pointerdown', on);
    el.addEventListener('pointermove', on);
    el.addEventListener('pointerleave', off);
    return () => {
      el.removeEventListener('pointerdown', on);
      el.removeEventListener('pointermove', on);
      el.removeEventListener('pointerleave', off);
    };
  }, []);
  return holder;
}
