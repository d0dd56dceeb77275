import { useState } from 'react';
import { View } from 'react-native';

import { CoreInputError } from '@/core/errors';
import { boxOf } from '@/core/device/shapes';
import { polygonOf } from '@/core/device/polygon';
import type { Outline, Pt } from '@/core/device/types';
import { Entry } from '@/bench-kit/Why';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { NumberField } from '@/ui/NumberField';
import { Txt } from '@/ui/Txt';
import { lengthValue, typedToMm } from '@/words/units';
import { t } from '@/words/shelf';

/** A length in the shop's unit, in a column of two. */
export function Mm({
  label,
  value,
  low = -100,
  high = 500,
  onCommit,
}: {
  label: string;
  value: number;
  low?: number;
  high?: number;
  onCommit: (mm: number) => void;
}) {
  const s = useSettings();
  return (
    <View className="w-1/2 pr-2">
      <NumberField
        label={label}
        unit={s.length}
        low={lengthValue(low, s, 2)}
        high={lengthValue(high, s, 2)}
        digits={s.length === 'mm' ? 2 : 4}
        value={lengthValue(value, s, 2)}
        onCommit={(v) => onCommit(Math.round(typedToMm(v, s) * 1e3) / 1e3)}
      />
    </View>
  );
}

export const Two = ({ children }: { children: React.ReactNode }) => (
  <View className="flex-row flex-wrap">{children}</View>
);

const kinds = [
  {
    id: 'disc',
    get name() {
      return t('disc');
    },
  },
  {
    id: 'roundRect',
    get name() {
      return t('rectangle');
    },
  },
  {
    id: 'polygon',
    get name() {
      return t('polygon');
    },
  },
] as const;

/** Turns an outline into another kind that covers about the same place. */
function asKind(o: Outline, kind: Outline['kind']): Outline {
  if (o.kind === kind) return o;
  const b = boxOf(o);
  if (kind === 'polygon') return { kind, pts: polygonOf(o, 3).map(([x, y]): Pt => [r2(x), r2(y)]) };
  if (kind === 'roundRect') return { kind, min: b.min, max: b.max, rMm: 0 };
  return {
    kind: 'disc',
    c: [(b.min[0] + b.max[0]) / 2, (b.min[1] + b.max[1]) / 2],
    rMm: Math.min(b.max[0] - b.min[0], b.max[1] - b.min[1]) / 2,
  };
}
const r2 = (v: number) => Math.round(v * 100) / 100;

interface ShapeFieldsProps {
  name: string;
  shape: Outline;
  allowed?: readonly Outline['kind'][];
  /** an outline starts at the corner: only its size is asked */
  sizeOnly?: boolean;
  onChange: (s: Outline) => void;
}

/** The numbers of an outline, from the top left corner of the face as it is looked at. */
export function ShapeFields({ name, shape: s, allowed, sizeOnly = false, onChange }: ShapeFieldsProps) {
  const options = kinds.filter((k) => !allowed || allowed.includes(k.id));
  return (
    <View>
      {options.length > 1 ? (
        <Choice label={t('form', { name })} value={s.kind} options={options} onChange={(k) => onChange(asKind(s, k))} />
      ) : null}
      {s.kind === 'disc' ? (
        <Two>
          <Mm
            label={t('centreFromTheLeft', { name })}
            value={s.c[0]}
            onCommit={(x) => onChange({ ...s, c: [x, s.c[1]] })}
          />
          <Mm
            label={t('centreFromTheTop', { name })}
            value={s.c[1]}
            onCommit={(y) => onChange({ ...s, c: [s.c[0], y] })}
          />
          <Mm
            label={t('diameter', { name })}
            value={2 * s.rMm}
            low={0.2}
            high={400}
            onCommit={(d) => onChange({ ...s, rMm: d / 2 })}
          />
        </Two>
      ) : s.kind === 'roundRect' ? (
        <Two>
          {sizeOnly ? null : (
            <>
              <Mm
                label={t('fromTheLeft', { name })}
                value={s.min[0]}
                onCommit={(x) => onChange({ ...s, min: [x, s.min[1]], max: [s.max[0] + x - s.min[0], s.max[1]] })}
              />
              <Mm
                label={t('fromTheTop', { name })}
                value={s.min[1]}
                onCommit={(y) => onChange({ ...s, min: [s.min[0], y], max: [s.max[0], s.max[1] + y - s.min[1]] })}
              />
            </>
          )}
          <Mm
            label={t('width', { name })}
            value={s.max[0] - s.min[0]}
            low={0.2}
            onCommit={(w) => onChange({ ...s, max: [s.min[0] + w, s.max[1]] })}
          />
          <Mm
            label={t('height', { name })}
            value={s.max[1] - s.min[1]}
            low={0.2}
            onCommit={(h) => onChange({ ...s, max: [s.max[0], s.min[1] + h] })}
          />
          <Mm
            label={t('cornerRadius', { name })}
            value={s.rMm}
            low={0}
            high={100}
            onCommit={(rMm) => onChange({ ...s, rMm })}
          />
        </Two>
      ) : (
        <PolygonField name={name} pts={s.pts} onChange={(pts) => onChange({ kind: 'polygon', pts })} />
      )}
    </View>
  );
}

const maxCorners = 400;

/** Corners as text. @throws CoreInputError naming the corner */
export function readCorners(text: string, name: string): Pt[] {
  const words = text
    .trim()
    .split(/[\s;]+/)
    .filter(Boolean);
  if (words.length < 3 || words.length > maxCorners)
    throw new CoreInputError(t('corners', { name }), words.length, t('n3To', { maxCorners }));
  return words.map((w, i): Pt => {
    const m = /^(-?\d+(?:\.\d+)?),(-?\d+(?:\.\d+)?)$/.exec(w);
    const at: Pt | null = m ? [Number(m[1]), Number(m[2])] : null;
    if (!at || at.some((v) => v < -100 || v > 500))
      throw new CoreInputError(t('corner', { name, i: i + 1 }), w.slice(0, 20), t('xYInMmEach100'));
    return at;
  });
}

function PolygonField({ name, pts, onChange }: { name: string; pts: readonly Pt[]; onChange: (pts: Pt[]) => void }) {
  const [text, setText] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  return (
    <View className="mb-2">
      <Entry
        label={t('cornersAsXYInMm', { name })}
        value={text ?? pts.map((p) => p.join(',')).join(' ')}
        onChange={setText}
        max={20_000}
        multiline
      />
      {problem ? (
        <View role="alert">
          <Txt size="s" tone="caution">
            {problem}
          </Txt>
        </View>
      ) : null}
      <Button
        kind="small"
        label={t('takeTheCorners', { name })}
        disabled={text === null}
        onPress={() => {
          try {
            onChange(readCorners(text ?? '', name));
            setText(null);
            setProblem(null);
          } catch (e) {
            setProblem(e instanceof Error ? e.message : t('notReadable'));
          }
        }}
      />
    </View>
  );
}
