import {
  useEffect,
  useMemo,
  useRef,
  useState,
  type Dispatch,
  type ReactNode,
  type RefObject,
  type SetStateAction,
} from 'react';
import { Pressable, View } from 'react-native';
import Svg from 'react-native-svg';

import { bondPerimeter } from '@/core/device/perimeter';
import { boxOf, contains, type Box } from '@/core/device/shapes';
import type { Bond, Device, Pt } from '@/core/device/types';
import { keepOuts } from '@/core/lift/depth';
import { useTokens } from '../theme';
import { Txt } from '../Txt';
import { PlanFrameProvider } from './frame';
import { t } from '@/words/ui';

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
  /** a tap means something here, and is not read out */
  onTap?: ((p: Pt) => void) | undefined;
  /** one finger draws: called with the points so far, and once more when it is lifted; null: the stroke was given up */
  onStroke?: ((pts: Pt[] | null, done: boolean) => void) | undefined;
  /** one finger drags a thing: called where it is put down, while it moves, and when it is lifted */
  onDrag?: ((phase: 'start' | 'move' | 'end', p: Pt) => void) | undefined;
  /** the part of the plan that is looked at; all of it when it is not said */
  focus?: Box | undefined;
  /** no buttons under it: a small picture whose text stands beside it anyway */
  bare?: boolean | undefined;
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
export function Plan(props: PlanProps) {
  const { device, bond, width, height, children, label, lines, readAt, onTap, onStroke, onDrag, focus, bare } = props;
  const tokens = useTokens();
  const [view, setView] = useState<View2>(home);
  const [reading, setReading] = useState<string | null>(null);
  const [asText, setAsText] = useState(false);
  const holder = useRef<View>(null);

  const box = focus ?? boxOf(device.leaves[0]!.outline);
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
    if (onTap) return onTap(p);
    const part = frame.outs.find((k) => contains(k.shape, p));
    const value = readAt?.(p) ?? null;
    setReading(
      [value, part ? t('keepOut', { name: part.name }) : null].filter(Boolean).join(' · ') || t('nothingHere'),
    );
  };

  // gestures read the latest geometry through this box, which is filled after each render
  const latest = useRef<Latest>({ mm, left, top, view, tell, onStroke, onDrag });
  useEffect(() => {
    latest.current = { mm, left, top, view, tell, onStroke, onDrag };
  });
  const taken = Boolean(onStroke ?? onDrag);
  useEffect(() => {
    const el = holder.current as unknown as HTMLElement | null;
    return el?.addEventListener ? listen(el, latest, setView) : undefined;
  }, []);

  const zoomBy = (f: number) =>
    setView((v) => (clampZoom(v.zoom * f) <= 1 ? home : { ...v, zoom: clampZoom(v.zoom * f) }));

  return (
    <View style={{ width }}>
      <View
        ref={holder}
        // an unzoomed plan lets the page scroll under the finger
        style={[
          { width, height },
          {
            touchAction: view.zoom > 1 || taken ? 'none' : 'pan-y',
            ...(taken ? { cursor: 'crosshair' } : {}),
          } as object,
        ]}
        testID="plan"
      >
        <PlanFrameProvider value={{ ...frame, tokens, mm }}>
          <Svg width={width} height={height} viewBox={`${left} ${top} ${vw} ${vh}`} role="img" aria-label={label}>
            {children}
          </Svg>
        </PlanFrameProvider>
      </View>
      <View style={{ width: Math.min(width, 220) }} className={bare ? 'hidden' : 'flex-row gap-1 no-print'}>
        <PlanButton name="−" label={t('zoomOut')} onPress={() => zoomBy(1 / 1.6)} />
        <PlanButton name="+" label={t('zoomIn')} onPress={() => zoomBy(1.6)} />
        <PlanButton
          name={t('text')}
          label={asText ? t('hideThePlanAsText') : t('showThePlanAsText')}
          onPress={() => setAsText(!asText)}
        />
      </View>
      {reading ? (
        <View role="status" className="bg-panel border border-ink2 px-2 py-1 mt-1">
          <Txt size="s">{reading}</Txt>
        </View>
      ) : null}
      {asText ? (
        <View role="list" aria-label={t('thePlanAsText')} className="mt-1">
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

interface Latest {
  mm: number;
  left: number;
  top: number;
  view: View2;
  tell: (p: Pt) => void;
  onStroke: PlanProps['onStroke'];
  onDrag: PlanProps['onDrag'];
}

/** Pointer and wheel gestures: tap reads, drag pans when zoomed in, two fingers or Ctrl and wheel zoom. */
function listen(el: HTMLElement, latest: RefObject<Latest>, setView: Dispatch<SetStateAction<View2>>): () => void {
  const pointers = new Map<number, { x: number; y: number }>();
  let moved = 0;
  const spread = () => {
    const [a, b] = [...pointers.values()];
    return a && b ? Math.hypot(a.x - b.x, a.y - b.y) : 0;
  };
  let stroke: Pt[] | null = null;
  let dragging = false;
  const at = (e: PointerEvent): Pt => {
    const r = el.getBoundingClientRect();
    const { mm, left, top } = latest.current;
    return [left + (e.clientX - r.left) * mm, top + (e.clientY - r.top) * mm];
  };
  const down = (e: PointerEvent) => {
    if (!pointers.size) moved = 0;
    pointers.set(e.pointerId, { x: e.clientX, y: e.clientY });
    const { onStroke, onDrag } = latest.current;
    if (pointers.size === 1 && (onStroke || onDrag)) {
      // the finger may leave the picture while it draws
      el.setPointerCapture?.(e.pointerId);
      if (onStroke) stroke = [at(e)];
      else {
        dragging = true;
        onDrag?.('start', at(e));
      }
    } else if (stroke) {
      // a second finger zooms: what the first one began is no crack
      stroke = null;
      onStroke?.(null, false);
    }
  };
  const move = (e: PointerEvent) => {
    const last = pointers.get(e.pointerId);
    if (!last) return;
    const before = spread();
    const dx = (e.clientX - last.x) / pointers.size;
    const dy = (e.clientY - last.y) / pointers.size;
    pointers.set(e.pointerId, { x: e.clientX, y: e.clientY });
    moved += Math.hypot(dx, dy);
    const after = spread();
    const { mm, onStroke, onDrag } = latest.current;
    if (stroke && pointers.size === 1) {
      stroke = [...stroke, at(e)];
      onStroke?.(stroke, false);
      return;
    }
    if (dragging && pointers.size === 1) return onDrag?.('move', at(e));
    setView((v) => {
      const zoom = clampZoom(before && after ? v.zoom * (after / before) : v.zoom);
      return zoom <= 1 ? home : { x: v.x - dx * mm, y: v.y - dy * mm, zoom };
    });
  };
  const up = (e: PointerEvent) => {
    const tapped = pointers.size === 1 && moved < 6 && e.type === 'pointerup';
    const known = pointers.delete(e.pointerId);
    const { onStroke, onDrag, tell } = latest.current;
    if (stroke && known) {
      const drawn = stroke;
      stroke = null;
      onStroke?.(e.type === 'pointerup' ? drawn : null, true);
      return;
    }
    if (dragging && known) {
      dragging = false;
      onDrag?.('end', at(e));
      // a finger that has not moved asks what is there
      if (tapped) tell(at(e));
      return;
    }
    if (tapped) tell(at(e));
  };
  const wheel = (e: WheelEvent) => {
    if (!e.ctrlKey && latest.current.view.zoom <= 1) return;
    e.preventDefault();
    setView((v) => {
      const zoom = clampZoom(v.zoom * Math.exp(-e.deltaY / 300));
      return zoom <= 1 ? home : { ...v, zoom };
    });
  };
  el.addEventListener('pointerdown', down);
  el.addEventListener('pointermove', move);
  el.addEventListener('pointerup', up);
  el.addEventListener('pointercancel', up);
  const leave = (e: PointerEvent) => {
    if (!stroke && !dragging) up(e);
  };
  el.addEventListener('pointerleave', leave);
  el.addEventListener('wheel', wheel, { passive: false });
  return () => {
    el.removeEventListener('pointerdown', down);
    el.removeEventListener('pointermove', move);
    el.removeEventListener('pointerup', up);
    el.removeEventListener('pointercancel', up);
    el.removeEventListener('pointerleave', leave);
    el.removeEventListener('wheel', wheel);
  };
}

function PlanButton({ name, label, onPress }: { name: string; label: string; onPress: () => void }) {
  return (
    <Pressable
      role="button"
      aria-label={label}
      onPress={onPress}
      className="flex-1 min-h-touch px-1 items-center justify-center border border-rule rounded-card"
    >
      <Txt size="s" num tone="ink2">
        {name}
      </Txt>
    </Pressable>
  );
}
