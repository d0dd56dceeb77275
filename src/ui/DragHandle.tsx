import { useRef } from 'react';
import { View } from 'react-native';

/** How far an arrow key moves it, px of the screen; with Shift. */
const stepPx = 1;
const farPx = 10;
/** A finger trembles by so much, px of the screen. */
const tremblePx = 4;
const sizePx = 44;

const arrows: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

interface DragHandleProps {
  x: number;
  y: number;
  label: string;
  /** moved by so much since the last call, px of the screen */
  onMove: (dx: number, dy: number) => void;
  /** a finger came and went without moving it: what it meant lies under the point */
  onTap?: (clientX: number, clientY: number) => void;
  /** a finger took it, or let it go */
  onHeld?: (held: boolean) => void;
  testID?: string;
}

/** A point on a picture that a finger drags, and arrow keys move. What it looks like is drawn below it. */
export function DragHandle({ x, y, label, onMove, onTap, onHeld, testID }: DragHandleProps) {
  const last = useRef<readonly [number, number] | null>(null);
  const gone = useRef({ from: [0, 0] as readonly [number, number], moving: false });
  const events = {
    onPointerDown: (e: React.PointerEvent) => {
      (e.currentTarget as Element).setPointerCapture?.(e.pointerId);
      last.current = [e.clientX, e.clientY];
      gone.current = { from: [e.clientX, e.clientY], moving: false };
      onHeld?.(true);
    },
    onPointerMove: (e: React.PointerEvent) => {
      const from = last.current;
      if (!from) return;
      const { from: start, moving } = gone.current;
      if (!moving && Math.hypot(e.clientX - start[0], e.clientY - start[1]) < tremblePx) return;
      gone.current.moving = true;
      last.current = [e.clientX, e.clientY];
      onMove(e.clientX - from[0], e.clientY - from[1]);
    },
    onPointerUp: (e: React.PointerEvent) => {
      last.current = null;
      onHeld?.(false);
      if (!gone.current.moving) onTap?.(e.clientX, e.clientY);
    },
    onPointerCancel: () => {
      last.current = null;
      onHeld?.(false);
    },
    onKeyDown: (e: React.KeyboardEvent) => {
      const by = arrows[e.key];
      if (!by) return;
      e.preventDefault();
      const step = e.shiftKey ? farPx : stepPx;
      onMove(by[0] * step, by[1] * step);
    },
  };
  return (
    <View
      role="button"
      tabIndex={0}
      aria-label={label}
      {...(testID ? { testID } : {})}
      style={
        {
          position: 'absolute',
          left: x - sizePx / 2,
          top: y - sizePx / 2,
          width: sizePx,
          height: sizePx,
          touchAction: 'none',
          cursor: 'grab',
        } as object
      }
      {...(events as object)}
    />
  );
}
