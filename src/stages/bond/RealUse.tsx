import { View } from 'react-native';

import type { JobState } from '@/model/fold';
import { useActions } from '@/bench-kit/actions';
import { useSettings } from '@/store/shop';
import { NumberField } from '@/ui/NumberField';
import { Txt } from '@/ui/Txt';
import { lengthValue, typedToMm } from '@/words/units';
import { t } from '@/words/bond';

/** What the plan took from stock, to be put right by what was really used. */
export function RealUse({ job }: { job: JobState }) {
  const s = useSettings();
  const { log } = useActions(job);
  const e = job.bonded;
  if (!e?.used?.length) return null;
  const real = job.consumed.get(e.id);
  return (
    <View className="mb-2">
      <Txt strong>{t('takenFromStock')}</Txt>
      {e.used.map((u, i) => {
        const amount = real?.get(u.id) ?? u.amount;
        const tape = u.kind === 'roll' || u.kind === 'offcut';
        const name =
          u.kind === 'liquid'
            ? (s.liquids.find((l) => l.id === u.id)?.name ?? u.id)
            : u.kind === 'ring'
              ? t('preCutRing')
              : u.kind === 'roll'
                ? t('tapeFromTheRoll')
                : t('tapeFromOffcut', { i: i + 1 });
        return (
          <NumberField
            key={u.id}
            label={t('reallyUsed', { name })}
            unit={tape ? s.length : u.kind === 'liquid' ? 'ml' : 'pieces'}
            low={0}
            high={tape ? lengthValue(20000, s, 0) : u.kind === 'liquid' ? 500 : 20}
            digits={tape ? (s.length === 'mm' ? 0 : 2) : u.kind === 'liquid' ? 2 : 0}
            value={tape ? lengthValue(amount, s, s.length === 'mm' ? 0 : 2) : amount}
            onCommit={(v) =>
              void log([{ type: 'consumed', items: [{ id: u.id, amount: tape ? typedToMm(v, s) : v }] }])
            }
          />
        );
      })}
    </View>
  );
}
