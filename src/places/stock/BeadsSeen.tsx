import { View } from 'react-native';

import { edgeFactorFrom } from '@/core/cure/laws';
import type { Settings } from '@/model/settings';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { stamp } from '@/words/units';

interface BeadsSeenProps {
  settings: Settings;
  onChange: (seen: Settings['cureSeen']) => void;
}

/** Clamps that came off beads, and what this shop's own clocks are made from. */
export function BeadsSeen({ settings: s, onChange }: BeadsSeenProps) {
  return (
    <Disclosure title={`Beads that held or slipped (${s.cureSeen.filter((x) => !x.out).length})`}>
      {s.liquids.map((l) => {
        const f = edgeFactorFrom(s.cureSeen.filter((x) => !x.out && x.liquid === l.id));
        return (
          <Txt key={l.id} size="s">
            {l.name}: {f.low.toFixed(1)} to {f.high.toFixed(1)} times the two-edge time
            {f.seen ? `, from ${f.seen} seen here` : ', the law’s own range'}.
          </Txt>
        );
      })}
      {[...s.cureSeen].reverse().map((x) => (
        <View key={x.id} className="flex-row items-center gap-2 border-b border-rule py-1">
          <Txt size="s" className="flex-1" tone={x.out ? 'ink2' : 'ink'}>
            {stamp(x.at)} {x.job}: {x.held ? 'held' : 'slipped'} at {x.ratio.toFixed(2)} times
            {x.out ? ', not counted' : ''}
          </Txt>
          <Button
            kind="small"
            label={x.out ? 'Count it' : 'Leave it out'}
            onPress={() => onChange(s.cureSeen.map((y) => (y.id === x.id ? { ...y, out: !y.out } : y)))}
          />
        </View>
      ))}
    </Disclosure>
  );
}
