import simplify from 'simplify-js';
import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';

import { Button } from './Button';
import { useDraft } from './draft';
import { useTokens } from './theme';
import { Txt } from './Txt';

const width = 340;
const height = 130;

type Line = { x: number; y: number }[];
const pathOf = (lines: readonly Line[]) =>
  lines.map((l) => l.map((p, i) => `${i ? 'L' : 'M'}${Math.round(p.x)} ${Math.round(p.y)}`).join(' ')).join(' ');

/** Strokes of a draft; whatever is no list of points is none. */
function readLines(text: string): Line[] {
  try {
    const list: unknown = JSON.parse(text);
    const isPoint = (p: unknown): p is Line[number] =>
      typeof p === 'object' && p !== null && 'x' in p && 'y' in p && Number.isFinite(p.x) && Number.isFinite(p.y);
    return Array.isArray(list)
      ? list.filter((l): l is Line => Array.isArray(l) && l.length > 0 && l.every(isPoint))
      : [];
  } catch {
    return [];
  }
}

/** A signature drawn by finger or pen, kept as the moves and lines of a path. A typed name does as well. */
export function SignPad({ label, onChange }: { label: string; onChange: (path: string) => void }) {
  const t = useTokens();
  const [lines, setLines] = useState<readonly Line[]>([]);
  const holder = useRef<View>(null);
  const tell = useRef(onChange);
  const again = useRef<(text: string) => void>(() => {});
  const draft = useRef<(text: string | null) => void>(() => {});
  useEffect(() => {
    tell.current = onChange;
  });
  useEffect(() => {
    const el = holder.current as unknown as HTMLElement | null;
    if (!el?.addEventListener) return undefined;
    let done: Line[] = [];
    let line: Line | null = null;
    const at = (e: PointerEvent) => {
      const r = el.getBoundingClientRect();
      return { x: e.clientX - r.left, y: e.clientY - r.top };
    };
    const down = (e: PointerEvent) => {
      el.setPointerCapture?.(e.pointerId);
      line = [at(e)];
    };
    const move = (e: PointerEvent) => {
      if (!line) return;
      line = [...line, at(e)];
      setLines([...done, line]);
    };
    const up = () => {
      if (!line) return;
      done = [...done, simplify(line, 0.8, true)];
      line = null;
      setLines(done);
      tell.current(pathOf(done));
      draft.current(JSON.stringify(done));
    };
    const clear = () => {
      done = [];
      setLines([]);
      tell.current('');
      draft.current(null);
    };
    again.current = (text) => {
      done = readLines(text);
      setLines(done);
      tell.current(pathOf(done));
    };
    el.addEventListener('pointerdown', down);
    el.addEventListener('pointermove', move);
    el.addEventListener('pointerup', up);
    el.addEventListener('pointercancel', up);
    el.addEventListener('clear', clear);
    return () => {
      el.removeEventListener('pointerdown', down);
      el.removeEventListener('pointermove', move);
      el.removeEventListener('pointerup', up);
      el.removeEventListener('pointercancel', up);
      el.removeEventListener('clear', clear);
    };
  }, []);
  // after the pad listens, so that strokes of before a reload find it
  const save = useDraft(label, (text) => again.current(text));
  useEffect(() => {
    draft.current = save;
  });
  return (
    <View className="mb-2">
      <Txt size="s" tone="ink2">
        {label}
      </Txt>
      <View
        ref={holder}
        testID="signature"
        className="bg-panel border-[1.5px] border-ink2 rounded-[6px]"
        style={[{ width, height }, { touchAction: 'none', cursor: 'crosshair' } as object]}
      >
        <Svg width={width} height={height} role="img" aria-label={lines.length ? 'signed' : 'not signed'}>
          <Path d={pathOf(lines)} fill="none" stroke={t.ink} strokeWidth={2.2} strokeLinecap="round" />
        </Svg>
      </View>
      {lines.length ? (
        <View className="w-[140px] mt-1">
          <Button
            kind="small"
            label="Sign again"
            onPress={() => (holder.current as unknown as HTMLElement).dispatchEvent(new Event('clear'))}
          />
        </View>
      ) : null}
    </View>
  );
}

/** A signature as it was drawn. */
export function Signature({ path }: { path: string }) {
  const t = useTokens();
  return (
    <Svg width={width * 0.6} height={height * 0.6} viewBox={`0 0 ${width} ${height}`} role="img" aria-label="signature">
      <Path d={path} fill="none" stroke={t.ink} strokeWidth={2.2} strokeLinecap="round" />
    </Svg>
  );
}
