import SignaturePad, { type PointGroup } from 'signature_pad';
import simplify from 'simplify-js';
import { createElement, useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';

import { Button } from './Button';
import { useDraft } from './draft';
import { useTokens } from './theme';
import { Txt } from './Txt';
import { t as tr } from '@/words/ui';

const width = 340;
const height = 130;
/** what no hand means while it writes, px */
const smoothPx = 0.8;

type Line = { x: number; y: number }[];
const linesOf = (pad: SignaturePad): Line[] =>
  pad.toData().map((g) => g.points.map(({ x, y }) => ({ x: Math.round(x * 10) / 10, y: Math.round(y * 10) / 10 })));
const pathOf = (lines: readonly Line[]) =>
  lines
    .map((l) =>
      simplify(l, smoothPx, true)
        .map((p, i) => `${i ? 'L' : 'M'}${Math.round(Math.max(0, p.x))} ${Math.round(Math.max(0, p.y))}`)
        .join(' '),
    )
    .join(' ');

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

const penned = (lines: readonly Line[], penColor: string): PointGroup[] =>
  lines.map((l) => ({
    ...{ penColor, dotSize: 0, minWidth: 0.8, maxWidth: 2.4, velocityFilterWeight: 0.7 },
    ...{ compositeOperation: 'source-over' as const },
    points: l.map((p, i) => ({ ...p, pressure: 0.5, time: i * 16 })),
  }));

/** A signature drawn by finger or pen, kept as the moves and lines of a path. A typed name does as well. */
export function SignPad({ label, onChange }: { label: string; onChange: (path: string) => void }) {
  const { ink } = useTokens();
  const [signed, setSigned] = useState(false);
  const canvas = useRef<HTMLCanvasElement | null>(null);
  const pad = useRef<SignaturePad | null>(null);
  const ended = useRef(() => {});
  useEffect(() => {
    const el = canvas.current;
    if (!el?.getContext('2d')) return undefined;
    // as sharp as the screen is
    const ratio = Math.max(1, window.devicePixelRatio || 1);
    [el.width, el.height] = [width * ratio, height * ratio];
    el.getContext('2d')!.scale(ratio, ratio);
    const p = new SignaturePad(el, { penColor: ink, minWidth: 0.8, maxWidth: 2.4 });
    const lines = pad.current ? linesOf(pad.current) : [];
    if (lines.length) p.fromData(penned(lines, ink));
    pad.current = p;
    const end = () => ended.current();
    p.addEventListener('endStroke', end);
    return () => {
      p.removeEventListener('endStroke', end);
      p.off();
    };
  }, [ink]);
  const show = (lines: readonly Line[]) => {
    if (lines.length) pad.current?.fromData(penned(lines, ink));
    else pad.current?.clear();
    setSigned(lines.length > 0);
    onChange(pathOf(lines));
  };
  // strokes of before a reload
  const save = useDraft(label, (text) => show(readLines(text)));
  useEffect(() => {
    ended.current = () => {
      const lines = pad.current ? linesOf(pad.current) : [];
      setSigned(lines.length > 0);
      onChange(pathOf(lines));
      save(JSON.stringify(lines));
    };
  });
  return (
    <View className="mb-2">
      <Txt size="s" tone="ink2">
        {label}
      </Txt>
      <View
        testID="signature"
        className="bg-panel border-[1.5px] border-ink2 rounded-card"
        style={[{ width, height }, { touchAction: 'none', cursor: 'crosshair' } as object]}
      >
        {createElement('canvas', {
          ref: canvas,
          width,
          height,
          role: 'img',
          'aria-label': signed ? tr('signed') : tr('notSigned'),
          style: { width: '100%', height: '100%' },
        })}
      </View>
      {signed ? (
        <View className="w-[140px] mt-1">
          <Button
            kind="small"
            label={tr('signAgain')}
            onPress={() => {
              show([]);
              save(null);
            }}
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
    <Svg
      width={width * 0.6}
      height={height * 0.6}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={tr('signature')}
    >
      <Path d={path} fill="none" stroke={t.ink} strokeWidth={2.2} strokeLinecap="round" />
    </Svg>
  );
}
