import type { Settings } from '@/model/settings';
import type { Stock } from '@/model/stock';
import { useDevices } from '@/store/shop';
import { Disclosure } from '@/ui/Disclosure';
import { NumberField } from '@/ui/NumberField';
import { t } from '@/words/stock';

interface CountedProps {
  settings: Settings;
  onChange: (c: Partial<Settings>) => void;
}

/** Rings that are cut for a model, counted. */
export function Rings({ settings: s, stock, onChange: put }: CountedProps & { stock: Stock }) {
  const devices = useDevices();
  const counts = (id: string, taken: number) => put({ ringsInStock: { ...s.ringsInStock, [id]: taken } });
  return (
    <Disclosure title={t('preCutRings')}>
      {devices.map(({ device: d }) => {
        const left = stock.rings.get(d.id) ?? 0;
        const used = (s.ringsInStock[d.id] ?? 0) - left;
        return (
          <NumberField
            key={d.id}
            label={t('ringsFor', { name: d.name })}
            unit="pieces"
            low={0}
            high={500}
            value={left}
            // what the jobs took stays drawn off: the count is of what lies here now
            onCommit={(v) => counts(d.id, Math.round(v) + Math.max(0, used))}
          />
        );
      })}
    </Disclosure>
  );
}

/** What holds a back while it cures. */
export function Holds({ settings: s, onChange: put }: CountedProps) {
  return (
    <Disclosure title={t('clipsWeightsBag')}>
      {s.clips.map((c) => (
        <NumberField
          key={c.id}
          label={t('sOfN', { name: c.name, forceN: c.forceN })}
          unit="pieces"
          low={0}
          high={200}
          value={c.owned}
          onCommit={(v) => put({ clips: s.clips.map((x) => (x.id === c.id ? { ...x, owned: Math.round(v) } : x)) })}
        />
      ))}
      {s.weights.map((w) => (
        <NumberField
          key={w.id}
          label={t('weightsOfKg', { massKg: w.massKg })}
          unit="pieces"
          low={0}
          high={100}
          value={w.owned}
          onCommit={(v) => put({ weights: s.weights.map((x) => (x.id === w.id ? { ...x, owned: Math.round(v) } : x)) })}
        />
      ))}
      <NumberField
        label={t('vacuumBagHighestPressure0Without')}
        unit="kPa"
        low={0}
        high={95}
        value={s.bagKPa}
        onCommit={(bagKPa) => put({ bagKPa })}
      />
    </Disclosure>
  );
}
