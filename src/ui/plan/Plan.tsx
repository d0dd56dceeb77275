import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { PanResponder, Pressable, View, type GestureResponderEvent } from 'react-native';
import Svg from 'react-native-svg';

import { bondPerimeter } from '@/core/device/perimeter';
import { boxOf, contains } from '@/core/device/shapes';
import type { Bond, Device, Pt } from '@/core/device/types';
import { keepOuts } from '@/core/lift/depth';
import { useTokens } from '../theme';
import { Txt } from '../Txt';
import { PlanFrameProvider } from './frame';

interface PlanProps {
  device: Device;
  bond: Bond;
  width: number;
  height: number;
  children: ReactNode;
  /** one line for a screen reader, then the lines of the text equivalent */
  label: string;
  lines: readonly string[];
  /** what is at a place of the plan; null: nothing to say beyond the part that is there */
  readAt?: (p: Pt) => string | null;
}

interface View2 {
  x: number;
  y: number;
  zoom: number;
}

const marginMm = 3;
const home: View2 = { x: 0, y: 0, zoom: 1 };
const clampZoom = (z: number) => Math.min(8, Math.max(1, z));

/**
 * The device seen from behind, to scale, in layers. Drag pans and two fingers or the wheel zoom once zoomed in; a tap reads
 * the value at the place. Everything drawn is also there as text.
 */
export function Plan({ device, bond, width, height, children, label, lines, readAt }: PlanProps) {
  const tokens = useTokens();
  const [view, setView] = useState<View2>(home);
  const [reading, setReading] = useState<string | null>(null);
  const [asText, setAsText] = useState(false);
  const holder = useRef<View>(null);

  const box = boxOf(device.leaves[0]!.outline);
  const w0 = box.max[0] - box.min[0] + 2 * marginMm;
  const h0 = box.max[1] - box.min[1] + 2 * marginMm;
  const mm = Math.max(w0 / width, h0 / height) / view.zoom;
  const vw = width * mm;
  const vh = height * mm;
  const cx = (box.min[0] + box.max[0]) / 2 + view.x;
  const cy = (box.min[1] + box.max[1]) / 2 + view.y;
  const left = cx - vw / 2;
  const top = cy - vh / 2;

  const frame = useMemo(() => {
    const present = new Set(device.parts.map((p) => p.id));
    return { device, bond, path: bondPerimeter(device, bond), outs: keepOuts(device, bond, present) };
  }, [device, bond]);

  const tell = (p: Pt) => {
    const part = frame.outs.find((k) => contains(k.shape, p));
    const value = readAt?.(p) ?? null;
    setReading([value, part ? `${part.name}: keep out` : null].filter(Boolean).join(' · ') || 'nothing here');
  };

  // gestures read the latest geometry through this box, which is filled after each render
  const latest = useRef({ mm, left, top, view, tell });
  useEffect(() => {
    latest.current = { mm, left, top, view, tell };
  });
  const [pan] = useState(() => {
    let moved = false;
    let last = { x: 0, y: 0, spread: 0 };
    const look = (e: GestureResponderEvent) => {
      const t = e.nativeEvent.touches;
      const one = t[0] ?? e.nativeEvent;
      const two = t[1];
      return {
        x: two ? (one.pageX + two.pageX) / 2 : one.pageX,
        y: two ? (one.pageY + two.pageY) / 2 : one.pageY,
        spread: two ? Math.hypot(one.pageX - two.pageX, one.pageY - two.pageY) : 0,
      };
    };
    return PanResponder.create({
      onStartShouldSetPanResponder: () => true,
      onMoveShouldSetPanResponder: (_, g) => latest.current.view.zoom > 1 || g.numberActiveTouches > 1,
      // an unzoomed plan lets the page scroll under the finger
      onPanResponderTerminationRequest: () => latest.current.view.zoom <= 1,
      onPanResponderGrant: (e) => {
        moved = false;
        last = look(e);
      },
      onPanResponderMove: (e, g) => {
        const now = look(e);
        if (Math.hypot(g.dx, g.dy) > 6 || now.spread) moved = true;
        if (!moved) return;
        const { mm: scale } = latest.current;
        const factor = now.spread && last.spread ? now.spread / last.spread : 1;
        const dx = now.x - last.x;
        const dy = now.y - last.y;
        last = now;
        setView((v) => {
          const zoom = clampZoom(v.zoom * factor);
          return zoom <= 1 ? home : { x: v.x - dx * scale, y: v.y - dy * scale, zoom };
        });
      },
      onPanResponderRelease: (e) => {
        if (moved) return;
        const { mm: scale, left: l, top: t, tell: say } = latest.current;
        const rect = (holder.current as unknown as HTMLElement | null)?.getBoundingClientRect();
        if (!rect) return;
        say([
          l + (e.nativeEvent.pageX - window.scrollX - rect.left) * scale,
          t + (e.nativeEvent.pageY - window.scrollY - rect.top) * scale,
        ]);
      },
    });
  });

  useEffect(() => {
    const el = holder.current as unknown as HTMLElement | null;
    if (!el?.addEventListener) return;
    const wheel = (e: WheelEvent) => {
      if (!e.ctrlKey && latest.current.view.zoom <= 1) return;
      e.preventDefault();
      setView((v) => {
        const zoom = clampZoom(v.zoom * Math.exp(-e.deltaY / 300));
        return zoom <= 1 ? home : { ...v, zoom };
      });
    };
    el.addEventListener('wheel', wheel, { passive: false });
    return () => el.removeEventListener('wheel', wheel);
  }, []);

  const zoomBy = (f: number) =>
    setView((v) => (clampZoom(v.zoom * f) <= 1 ? home : { ...v, zoom: clampZoom(v.zoom * f) }));

  return (
    <View style={{ width }}>
      <View ref={holder} {...pan.panHandlers} style={{ width, height }} testID="plan">
        <PlanFrameProvider value={{ ...frame, tokens, mm }}>
          <Svg width={width} height={height} viewBox={`${left} ${top} ${vw} ${vh}`} role="img" aria-label={label}>
            {children}
          </Svg>
        </PlanFrameProvider>
      </View>
      <View className="flex-row items-center gap-1 no-print">
        <PlanButton name="−" label="Zoom out" onPress={() => zoomBy(1 / 1.6)} />
        <PlanButton name="+" label="Zoom in" onPress={() => zoomBy(1.6)} />
        <PlanButton
          name="Text"
          label={asText ? 'Hide the plan as text' : 'Show the plan as text'}
          onPress={() => setAsText(!asText)}
        />
      </View>
      {reading ? (
        <View role="status" className="bg-panel border border-ink2 px-2 py-1 mt-1">
          <Txt size="s">{reading}</Txt>
        </View>
      ) : null}
      {asText ? (
        <View role="list" aria-label="The plan as text" className="mt-1">
          {lines.map((l, i) => (
            <View key={i} role="listitem">
              <Txt size="s">{l}</Txt>
            </View>
          ))}
        </View>
      ) : null}
    </View>
  );
}

function PlanButton({ name, label, onPress }: { name: string; label: string; onPress: () => void }) {
  return (
    <Pressable
      role="button"
      aria-label={label}
      onPress={onPress}
      className="min-w-[40px] h-[32px] px-2 items-center justify-center border border-rule rounded-[6px]"
    >
      <Txt size="s" num tone="ink2">
        {name}
      </Txt>
    </Pressable>
  );
}
