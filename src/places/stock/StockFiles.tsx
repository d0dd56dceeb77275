import { useState } from 'react';
import { View } from 'react-native';

import type { Settings, StockMove } from '@/model/settings';
import type { Stock } from '@/model/stock';
import { checkSettings } from '@/model/readSettings';
import { maxStockChars, stockCsv } from '@/model/stockCsv';
import { useFileRead } from '@/bench-kit/useFileRead';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { download, pickText } from '@/ui/download';
import { Message, refused, type Told } from '@/ui/Message';
import { Txt } from '@/ui/Txt';
import { stamp } from '@/words/units';
import { nowMs } from '@/store/clock';
import { stockOf } from '@/workers/filesClient';
import { moveWords, noteOf, withMove } from './moves';
import { t } from '@/words/stock';

interface StockFilesProps {
  settings: Settings;
  stock: Stock;
  onChange: (c: Partial<Settings>) => void;
}

/** Who changed what, and when. */
const moved = (m: StockMove) => ({
  at: stamp(m.at),
  who: m.who,
  item: m.item,
  what: moveWords[m.what],
  after: m.after,
});

/** Stock as a table in and out, and what was changed by hand. */
export function StockFiles({ settings: s, stock, onChange }: StockFilesProps) {
  const [told, setTold] = useState<Told | null>(null);
  const reading = useFileRead();
  const read = async () => {
    try {
      const file = await pickText('.csv,text/csv', maxStockChars);
      if (!file) return;
      const taken = new Map([...stock.rings].map(([id, left]) => [id, Math.max(0, (s.ringsInStock[id] ?? 0) - left)]));
      const r = await reading.read(file.name, (onShare) => stockOf(file.text, s, nowMs(), taken, onShare));
      if ('problem' in r) return setTold(refused(`${file.name}: ${r.problem}`));
      const change = {
        ...r.change,
        stockMoves: withMove(s, {
          item: file.name.slice(0, 120),
          what: 'imported',
          before: null,
          after: r.lines,
          note: '',
        }),
      };
      const checked = checkSettings({ ...s, ...change });
      if (!checked.ok) return setTold(refused(`${file.name}: ${checked.problem}`));
      onChange(change);
      setTold({ text: t('linesAreCountedIn', { count: r.lines }), bad: false });
    } catch (e) {
      setTold(refused(e instanceof Error ? e.message : t('theFileWasNotRead')));
    }
  };
  return (
    <Disclosure title={t('filesAndChanges')}>
      {reading.view}
      <Message told={told} />
      <View className="flex-row gap-3 mb-2">
        <View className="flex-1">
          <Button
            kind="small"
            label={t('stockAsCsv')}
            onPress={() => download('stock.csv', stockCsv(s, stock), 'text/csv')}
          />
        </View>
        <View className="flex-1">
          <Button kind="small" label={t('countFromACsv')} onPress={() => void read()} />
        </View>
      </View>
      {s.stockMoves.length ? null : <Txt tone="ink2">{t('nothingWasChangedByHandYet')}</Txt>}
      {[...s.stockMoves]
        .reverse()
        .slice(0, 30)
        .map((m) => (
          <Txt key={m.id} size="s">
            {m.before === null
              ? `${stamp(m.at)} ${m.who}: ${m.item} ${moveWords[m.what]}${noteOf(m) ? ` (${noteOf(m)})` : ''}`
              : noteOf(m)
                ? t('to', {
                    ...moved(m),
                    before: m.before,
                    note: noteOf(m),
                  })
                : t('to2', {
                    ...moved(m),
                    before: m.before,
                  })}
          </Txt>
        ))}
    </Disclosure>
  );
}
