import { useState } from 'react';
import { View } from 'react-native';

import { adhesives, type Adhesive } from '@/core/adhesives';
import { fractureEnergyJm2 } from '@/core/lift/fractureEnergy';
import { scaleU } from '@/core/lift/scale';
import type { Seen, Settings } from '@/model/settings';
import { shopAdhesive } from '@/work/heat/shopAdhesive';
import { WhyRows } from '@/bench-kit/Why';
import { saveSettings, useSettings } from '@/store/shop';
import { savingTrouble } from '@/store/trouble';
import { Button } from '@/ui/Button';
import { Disclosure } from '@/ui/Disclosure';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { Txt } from '@/ui/Txt';
import { day, length, temp } from '@/words/units';

/** What the shop knows of every adhesive: the law's parameters, and what was seen to give way or not. */
export function AdhesivesScreen() {
  const s = useSettings();
  const [problem, setProblem] = useState<string | null>(null);
  const put = (seen: Seen[]) => void saveSettings({ ...s, seen }).catch((e: unknown) => setProblem(savingTrouble(e)));
  return (
    <PlaceFrame title="Adhesives" line="how tough each bond is, and what this shop has seen of it">
      {problem ? (
        <View role="alert" className="mb-2">
          <Txt tone="caution">{problem}</Txt>
        </View>
      ) : null}
      {[...adhesives.values()].map((a) => (
        <Family key={a.id} record={a} settings={s} onChange={put} />
      ))}
    </PlaceFrame>
  );
}

function Family({
  record,
  settings,
  onChange,
}: {
  record: Adhesive;
  settings: Settings;
  onChange: (seen: Seen[]) => void;
}) {
  const own = settings.seen.filter((o) => o.adhesive === record.id);
  const a = shopAdhesive(settings, record.id);
  const { value, u } = a.debond.scale;
  const d = a.debond;
  return (
    <Disclosure title={`${record.name}: ×${value.toFixed(2)}${u === undefined ? '' : ` ± ${u.toFixed(2)}`}`}>
      <Txt size="s" className="mb-1">
        Needs{' '}
        {[23, 60, 100].map((t) => `${Math.round(fractureEnergyJm2(d, t, 1))} J/m² at ${temp(t, settings)}`).join(', ')},
        at 1 mm/s.
      </Txt>
      {own.length ? (
        own.map((o) => (
          <View key={o.id} className="flex-row items-center gap-2 py-1 border-b border-rule">
            <Txt size="s" className="flex-1" tone={o.out ? 'ink2' : 'ink'}>
              {day(o.at)}, {o.job}: {o.gave ? 'gave way' : 'did not give'} at {length(o.liftMm, settings, 2)} and about{' '}
              {temp(o.tC, settings)}
              {o.out ? ', taken out' : ''}
            </Txt>
            <Button
              kind="small"
              label={o.out ? 'Put back' : 'Take out'}
              onPress={() => onChange(settings.seen.map((x) => (x.id === o.id ? { ...x, out: !x.out } : x)))}
            />
          </View>
        ))
      ) : (
        <Txt size="s">Nothing seen yet: noted on Lift, under “It gave way, or it did not”.</Txt>
      )}
      <WhyRows
        rows={[
          { name: 'Scale in this shop', sourced: d.scale, unit: '×' },
          { name: 'First belief, standard deviation of its logarithm', sourced: scaleU.prior, unit: '' },
          { name: 'Rate-free energy', sourced: d.g0, unit: 'J/m²' },
          { name: 'Viscoelastic part at 23 °C, 1 mm/s', sourced: d.g1, unit: 'J/m²' },
          { name: 'Glass transition', sourced: d.tgC, unit: '°C' },
          { name: 'Exponent of speed', sourced: d.n, unit: '' },
          ...(d.meltC ? [{ name: 'Melts at', sourced: d.meltC, unit: '°C' }] : []),
          { name: 'Stiffness of the bond line', sourced: d.kNmm3, unit: 'N/mm³' },
          { name: 'Overheated from', sourced: a.overC, unit: '°C' },
        ]}
      />
    </Disclosure>
  );
}
