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
import { day, digits, length, temp } from '@/words/units';
import { t as tr } from '@/words/adhesives';
import { told } from '@/words/told';

/** What the shop knows of every adhesive: the law's parameters, and what was seen to give way or not. */
export function AdhesivesScreen() {
  const s = useSettings();
  const [problem, setProblem] = useState<string | null>(null);
  const put = (seen: Seen[]) => void saveSettings({ ...s, seen }).catch((e: unknown) => setProblem(savingTrouble(e)));
  return (
    <PlaceFrame title={tr('adhesives')} line={tr('howToughEachGlueIsAnd')}>
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
    <Disclosure title={`${told(record.name)}: ×${digits(value, 2)}${u === undefined ? '' : ` ± ${digits(u, 2)}`}`}>
      <Txt size="s" className="mb-1">
        {tr('needsAt1MmS', {
          list: [23, 60, 100]
            .map((t) => tr('jMAt', { d: Math.round(fractureEnergyJm2(d, t, 1)), t: temp(t, settings) }))
            .join(', '),
        })}
      </Txt>
      {own.length ? (
        own.map((o) => (
          <View key={o.id} className="flex-row items-center gap-2 py-1 border-b border-rule">
            <Txt size="s" className="flex-1" tone={o.out ? 'ink2' : 'ink'}>
              {o.gave
                ? o.out
                  ? tr('gaveWayAtAndAboutTaken', {
                      at: day(o.at),
                      job: o.job,
                      liftMm: length(o.liftMm, settings, 2),
                      tC: temp(o.tC, settings),
                    })
                  : tr('gaveWayAtAndAbout', {
                      at: day(o.at),
                      job: o.job,
                      liftMm: length(o.liftMm, settings, 2),
                      tC: temp(o.tC, settings),
                    })
                : o.out
                  ? tr('didNotGiveAtAndAbout', {
                      at: day(o.at),
                      job: o.job,
                      liftMm: length(o.liftMm, settings, 2),
                      tC: temp(o.tC, settings),
                    })
                  : tr('didNotGiveAtAndAbout2', {
                      at: day(o.at),
                      job: o.job,
                      liftMm: length(o.liftMm, settings, 2),
                      tC: temp(o.tC, settings),
                    })}
            </Txt>
            <Button
              kind="small"
              label={o.out ? tr('putBack') : tr('takeOut')}
              onPress={() => onChange(settings.seen.map((x) => (x.id === o.id ? { ...x, out: !x.out } : x)))}
            />
          </View>
        ))
      ) : (
        <Txt size="s">{tr('nothingSeenYetItIsNoted')}</Txt>
      )}
      <WhyRows
        rows={[
          { name: tr('scaleInThisShop'), sourced: d.scale, unit: '×' },
          { name: tr('firstBeliefStandardDeviationOfIts'), sourced: scaleU.prior, unit: '' },
          { name: tr('rateFreeEnergy'), sourced: d.g0, unit: 'J/m²' },
          { name: tr('viscoelasticPartAt23C1'), sourced: d.g1, unit: 'J/m²' },
          { name: tr('glassTransition'), sourced: d.tgC, unit: '°C' },
          { name: tr('exponentOfSpeed'), sourced: d.n, unit: '' },
          ...(d.meltC ? [{ name: tr('meltsAt'), sourced: d.meltC, unit: '°C' }] : []),
          { name: tr('stiffnessOfTheGlue'), sourced: d.kNmm3, unit: 'N/mm³' },
          { name: tr('overheatedFrom'), sourced: a.overC, unit: '°C' },
        ]}
      />
    </Disclosure>
  );
}
