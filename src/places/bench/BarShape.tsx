import { G, Line, Path, Rect, Text as SvgText } from 'react-native-svg';

import { useTokens } from '@/ui/theme';
import type { Bar } from '@/work/bench/lanes';
import { ownLabelPx, type BarRun } from './barRuns';
import { headHeight, slotHeight, type Box } from './timeScale';

/** Filled while it goes; dashed where a clock and no hands are at it. */
function Frame({ bar, box, late, thick }: { bar: Bar; box: Box; late: boolean; thick: number }) {
  const t = useTokens();
  const going = bar.state === 'going';
  return (
    <Rect
      x={box.x + 0.75}
      y={box.y + 0.75}
      width={Math.max(2, box.w - 1.5)}
      height={box.h - 1.5}
      fill={going ? t.ink : t.panel}
      stroke={late ? t.caution : t.ink}
      strokeWidth={thick}
      {...(bar.hands || going ? {} : { strokeDasharray: '4 3' })}
    />
  );
}

/** One bar: going is filled, hands have a whole line, a clock a dashed one; its window behind it. */
export function BarShape({ bar, box, on, windowX }: { bar: Bar; box: Box; on: boolean; windowX: number | null }) {
  const t = useTokens();
  const going = bar.state === 'going';
  return (
    <G>
      {windowX !== null && windowX > box.x + box.w + 1 ? (
        <Path
          d={`M${box.x + box.w} ${box.y + box.h / 2} H${windowX} M${windowX} ${box.y + 4} V${box.y + box.h - 4}`}
          stroke={t.go}
          strokeWidth={2}
          fill="none"
        />
      ) : null}
      <Frame bar={bar} box={box} late={bar.late} thick={on ? 3.5 : bar.state === 'pinned' ? 3 : 1.5} />
      {box.w >= ownLabelPx ? (
        <SvgText
          x={box.x + (box.w >= 48 ? 5 : box.w / 2)}
          textAnchor={box.w >= 48 ? 'start' : 'middle'}
          y={box.y + 16}
          fontSize={12}
          fontFamily="Mono_500"
          fill={going ? t.onInk : bar.late ? t.caution : t.ink}
        >
          {box.w >= 48 ? bar.label : bar.label.slice(-2)}
        </SvgText>
      ) : null}
    </G>
  );
}

/** Narrow bars of one job as one, with a mark where each begins and one label; the one that is chosen stands out. */
export function RunShape({ run, chosen }: { run: BarRun; chosen: (b: Bar) => boolean }) {
  const t = useTokens();
  const { box, bars } = run;
  const { bar } = bars[0]!;
  const going = bar.state === 'going';
  const late = bars.some((b) => b.bar.late);
  const ink = going ? t.onInk : late ? t.caution : t.ink;
  const wide = box.w >= 48;
  return (
    <G>
      <Frame bar={bar} box={box} late={late} thick={1.5} />
      {bars.slice(1).map((b) => (
        <Line
          key={b.bar.entry.task}
          x1={b.box.x}
          x2={b.box.x}
          y1={box.y + box.h - 6}
          y2={box.y + box.h - 1}
          stroke={ink}
          strokeWidth={1}
        />
      ))}
      {bars
        .filter((b) => b.bar.state === 'pinned' || chosen(b.bar))
        .map((b) => (
          <Rect
            key={b.bar.entry.task}
            x={b.box.x + 0.75}
            y={b.box.y + 0.75}
            width={Math.max(2, b.box.w - 1.5)}
            height={b.box.h - 1.5}
            fill="none"
            stroke={late ? t.caution : t.ink}
            strokeWidth={chosen(b.bar) ? 3.5 : 3}
          />
        ))}
      {box.w >= ownLabelPx ? (
        <SvgText
          x={box.x + (wide ? 5 : box.w / 2)}
          textAnchor={wide ? 'start' : 'middle'}
          y={box.y + 15}
          fontSize={12}
          fontFamily="Mono_500"
          fill={ink}
        >
          {wide ? bar.label : bar.label.slice(-2)}
        </SvgText>
      ) : null}
    </G>
  );
}

/** Where a bar would go, with its time. */
export function Ghost({ x, y, w, text }: { x: number; y: number; w: number; text: string }) {
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
      <Line x1={x} x2={x} y1={headHeight - 4} y2={y} stroke={t.ink} strokeWidth={1.5} strokeDasharray="3 3" />
      <SvgText x={x + 4} y={y + 17} fontSize={13} fontFamily="Mono_700" fill={t.ink}>
        {text}
      </SvgText>
    </G>
  );
}
