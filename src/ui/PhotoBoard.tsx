import { useRef, useState, type ReactNode } from 'react';
import { Pressable, useWindowDimensions, View, type GestureResponderEvent } from 'react-native';
import Svg, { Circle, Image, Line } from 'react-native-svg';

import type { Pt } from '@/core/device/types';
import type { Picture } from '@/model/pictureSizes';
import { DragHandle } from './DragHandle';
import { useTokens } from './theme';

/** A point on the photo that is dragged. */
export interface BoardHandle {
  key: string;
  at: Pt;
  label: string;
  onMove: (dxPx: number, dyPx: number) => void;
}

interface PhotoBoardProps {
  picture: Picture;
  width: number;
  label: string;
  handles: readonly BoardHandle[];
  onTap?: (px: Pt) => void;
  /** drawn over the photo, in its own pixels; told how many of them one of the screen has */
  children?: (perPx: number) => ReactNode;
  testID?: string;
}

/** What stands round a photo on its page, and the least that it is shown at, px. */
const besidesPx = 330;
const leastHeight = 300;

const loupePx = 116;
const loupeZoom = 3;

/** A photo with points to drag on it; what is under the finger is shown enlarged in a corner that it does not cover. */
export function PhotoBoard({ picture, width: room, label, handles, onTap, children, testID }: PhotoBoardProps) {
  const c = useTokens();
  const [held, setHeld] = useState<string | null>(null);
  const board = useRef<View>(null);
  const { height: screen } = useWindowDimensions();
  // all four corners are before the eyes at once
  const width = Math.min(room, (Math.max(leastHeight, screen - besidesPx) * picture.widthPx) / picture.heightPx);
  const scale = width / picture.widthPx;
  const tapAt = (clientX: number, clientY: number) => {
    const r = (board.current as unknown as HTMLElement | null)?.getBoundingClientRect();
    if (r) onTap?.([(clientX - r.left) / scale, (clientY - r.top) / scale]);
  };
  const height = picture.heightPx * scale;
  const under = handles.find((h) => h.key === held);
  const press = (e: GestureResponderEvent) => {
    const at = e.nativeEvent as unknown as {
      offsetX?: number;
      offsetY?: number;
      locationX?: number;
      locationY?: number;
    };
    const [x, y] = [at.offsetX ?? at.locationX ?? 0, at.offsetY ?? at.locationY ?? 0];
    onTap?.([x / scale, y / scale]);
  };
  const drawing = (
    <Svg width={width} height={height} viewBox={`0 0 ${picture.widthPx} ${picture.heightPx}`} pointerEvents="none">
      <Image href={picture.data} x={0} y={0} width={picture.widthPx} height={picture.heightPx} />
      {children?.(1 / scale)}
      {handles.map((h) => (
        <Circle
          key={h.key}
          cx={h.at[0]}
          cy={h.at[1]}
          r={9 / scale}
          fill={h.key === held ? c.caution : 'none'}
          fillOpacity={0.3}
          stroke={c.caution}
          strokeWidth={2.5 / scale}
        />
      ))}
    </Svg>
  );
  const reach = loupePx / (2 * loupeZoom * scale);
  return (
    <View ref={board} style={{ width, height }}>
      {onTap ? (
        <Pressable testID={testID} role="img" aria-label={label} onPress={press} style={{ width, height }}>
          {drawing}
        </Pressable>
      ) : (
        <View role="img" aria-label={label} testID={testID} style={{ width, height }}>
          {drawing}
        </View>
      )}
      {handles.map((h) => (
        <DragHandle
          key={h.key}
          x={h.at[0] * scale}
          y={h.at[1] * scale}
          label={h.label}
          testID={`handle-${h.key}`}
          onMove={(dx, dy) => h.onMove(dx / scale, dy / scale)}
          onTap={tapAt}
          onHeld={(on) => setHeld(on ? h.key : null)}
        />
      ))}
      {under ? (
        <View
          className="border-[1.5px] border-ink bg-paper"
          style={
            {
              position: 'absolute',
              top: 4,
              ...(under.at[0] * scale > width / 2 ? { left: 4 } : { right: 4 }),
              width: loupePx,
              height: loupePx,
              pointerEvents: 'none',
            } as object
          }
        >
          <Svg
            width={loupePx - 3}
            height={loupePx - 3}
            viewBox={`${under.at[0] - reach} ${under.at[1] - reach} ${2 * reach} ${2 * reach}`}
          >
            <Image href={picture.data} x={0} y={0} width={picture.widthPx} height={picture.heightPx} />
            {children?.(1 / (loupeZoom * scale))}
            <Line
              x1={under.at[0] - reach}
              x2={under.at[0] + reach}
              y1={under.at[1]}
              y2={under.at[1]}
              stroke={c.caution}
              strokeWidth={1 / (loupeZoom * scale)}
            />
            <Line
              x1={under.at[0]}
              x2={under.at[0]}
              y1={under.at[1] - reach}
              y2={under.at[1] + reach}
              stroke={c.caution}
              strokeWidth={1 / (loupeZoom * scale)}
            />
          </Svg>
        </View>
      ) : null}
    </View>
  );
}
