import { View } from 'react-native';

import { edgeFactorFrom } from '@/core/cure/laws';
import type { Settings } from '@/model/settings';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { digits, stamp } from '@/words/units';
import { t } from '@/words/stock';

interface BeadsSeenProps {
  settings: Settings;
  onChange: (seen: Settings['cureSeen']) => void;
}

/** Clamps that came off beads, and what this shop's own clocks are made from. */
export function BeadsSeen({ settings: s, onChange }: BeadsSeenProps) {
  return (
    <Disclosure title={t('beadsThatHeldOrSlipped', { n: s.cureSeen.filter((x) => !x.out).length })}>
      {s.liquids.map((l) => {
        const f = edgeFactorFrom(s.cureSeen.filter((x) => !x.out && x.liquid === l.id));
        return (
          <Txt key={l.id} size="s">
            {f.seen
              ? t('toTimesTheTwoEdgeTime', {
                  name: l.name,
                  figure: digits(f.low, 1),
                  figure2: digits(f.high, 1),
                  seen: f.seen,
                })
              : t('toTimesTheTwoEdgeTime2', { name: l.name, figure: digits(f.low, 1), figure2: digits(f.high, 1) })}
          </Txt>
        );
      })}
      {[...s.cureSeen].reverse().map((x) => (
        <View key={x.id} className="flex-row items-center gap-2 border-b border-rule py-1">
          <Txt size="s" className="flex-1" tone={x.out ? 'ink2' : 'ink'}>
            {x.held
              ? x.out
                ? t('heldAtTimesNotCounted', { at: stamp(x.at), job: x.job, figure: digits(x.ratio, 2) })
                : t('heldAtTimes', { at: stamp(x.at), job: x.job, figure: digits(x.ratio, 2) })
              : x.out
                ? t('slippedAtTimesNotCounted', { at: stamp(x.at), job: x.job, figure: digits(x.ratio, 2) })
                : t('slippedAtTimes', { at: stamp(x.at), job: x.job, figure: digits(x.ratio, 2) })}
          </Txt>
          <Button
            kind="small"
            label={x.out ? t('countIt') : t('leaveItOut')}
            onPress={() => onChange(s.cureSeen.map((y) => (y.id === x.id ? { ...y, out: !y.out } : y)))}
          />
        </View>
      ))}
    </Disclosure>
  );
}
