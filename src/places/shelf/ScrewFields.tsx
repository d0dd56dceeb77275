import { View } from 'react-native';

import type { ScrewHole } from '@/core/device/types';
import { Entry } from '@/bench-kit/Why';
import { Choice } from '@/ui/Choice';
import { turnOf } from './editorState';
import { Mm, Two } from './Fields';
import { t as tr } from '@/words/shelf';

const heads: { id: ScrewHole['head']; name: string }[] = [
  { id: 'cross', name: 'cross' },
  { id: 'fiveLobe', name: 'five-lobe' },
  { id: 'threeWing', name: 'three-wing' },
  { id: 'hex', name: 'hex' },
  { id: 'slot', name: 'slot' },
];

export type Put = <T>(change: Partial<T>) => void;

export function ScrewFields({
  screw: s,
  turn: t,
  put,
}: {
  screw: ScrewHole;
  turn: ReturnType<typeof turnOf>;
  put: Put;
}) {
  const x = t.front ? t.width - s.at[0] : s.at[0];
  return (
    <View>
      <Entry
        label={tr('zone', { id: s.id })}
        value={s.zone}
        onChange={(zone) => put<ScrewHole>({ zone: zone || 'A' })}
        max={20}
      />
      <Choice
        label={tr('head', { id: s.id })}
        value={s.head}
        options={heads}
        onChange={(head) => put<ScrewHole>({ head })}
      />
      <Two>
        <Mm
          label={tr('fromTheLeft2', { id: s.id })}
          value={x}
          onCommit={(v) => put<ScrewHole>({ at: [t.front ? t.width - v : v, s.at[1]] })}
        />
        <Mm
          label={tr('fromTheTop2', { id: s.id })}
          value={s.at[1]}
          onCommit={(v) => put<ScrewHole>({ at: [s.at[0], v] })}
        />
        <Mm
          label={tr('diameter2', { id: s.id })}
          value={s.diaMm}
          low={0.4}
          high={6}
          onCommit={(v) => put<ScrewHole>({ diaMm: v })}
        />
        <Mm
          label={tr('length', { id: s.id })}
          value={s.lengthMm}
          low={0.5}
          high={30}
          onCommit={(v) => put<ScrewHole>({ lengthMm: v })}
        />
        <Mm
          label={tr('passes', { id: s.id })}
          value={s.stackMm}
          low={0}
          high={20}
          onCommit={(v) => put<ScrewHole>({ stackMm: v })}
        />
        <Mm
          label={tr('bossDepth', { id: s.id })}
          value={s.bossDepthMm}
          low={0.2}
          high={30}
          onCommit={(v) => put<ScrewHole>({ bossDepthMm: v })}
        />
      </Two>
    </View>
  );
}
