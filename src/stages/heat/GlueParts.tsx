import { View } from 'react-native';

import { glueStartC, timedS } from '@/core/heat/glue';
import { FirstLook } from '@/bench-kit/FirstLook';
import { ThermalWait } from '@/bench-kit/ThermalWait';
import { rowOf, Why } from '@/bench-kit/Why';
import { Call } from '@/ui/Call';
import { Choice } from '@/ui/Choice';
import { NumberField } from '@/ui/NumberField';
import { Readings } from '@/ui/Readings';
import { clock, dial, temp, tempNumber, typedToC } from '@/words/units';
import type { GlueState } from './useGlue';
import { t } from '@/words/heat';

/** How long, how hot. */
export function GlueAnswer({
  here: { r, source, peak, stopC, heater, setC, units, cautionC, proposed, marks },
}: {
  here: GlueState;
}) {
  return !r ? (
    <ThermalWait thermal={source} />
  ) : (
    <>
      <FirstLook thermal={source} />
      <Call
        sentence={
          peak >= stopC
            ? t('theBatteryGetsPastItsLimit')
            : r.readyS
              ? t('frontDownOnTheAtFor', { kind: heater.kind, setC: dial(setC), high: clock(r.readyS.high) })
              : t('doesNotGetTheGlueTo', { setC: dial(setC), value: temp(glueStartC.value, units) })
        }
        reason={
          peak >= cautionC
            ? proposed
              ? t('theBatteryMayGoOverUp', {
                  cautionC: temp(cautionC, units),
                  peak: temp(peak, units),
                  stopC: temp(stopC, units),
                  setC: dial(proposed.setC),
                })
              : t('theBatteryMayGoOverUp2', {
                  cautionC: temp(cautionC, units),
                  peak: temp(peak, units),
                  stopC: temp(stopC, units),
                })
            : t('allTheGlueAtOrMore', { value: temp(glueStartC.value, units), peak: temp(peak, units) })
        }
        tone={peak >= cautionC || !r.readyS ? 'caution' : 'ink'}
      />
      <View className="mt-3">
        <Readings
          items={[
            { id: 'cold', value: `${tempNumber(r.glueC.coldest, units)}°`, label: t('coldestGlueThenAtLeast') },
            { id: 'hot', value: `${tempNumber(r.glueC.hottest, units)}°`, label: t('hottestGlueThen') },
            {
              id: 'cell',
              value: `${tempNumber(peak, units)}°`,
              label: t('batteryAtMostAbove', {
                high: clock(r.battery?.aboveCautionS.high ?? 0),
                cautionC: tempNumber(cautionC, units),
              }),
              tone: peak >= cautionC ? 'caution' : 'ink',
            },
            {
              id: 'display',
              value: r.display ? `${tempNumber(r.display.peakC.high, units)}°` : '–',
              label: t('screenAtMost'),
              tone: r.display && r.display.peakC.high >= (marks.display?.stopC ?? 1e3) ? 'caution' : 'ink',
            },
          ]}
        />
      </View>
    </>
  );
}

/** Heater and setpoint. */
export function GlueControls({ here: { heater, heaters, setHeaterId, setSetting, units, setC } }: { here: GlueState }) {
  return (
    <>
      <Choice
        label={t('heatWith')}
        value={heater.id}
        options={heaters.map((h) => ({ id: h.id, name: h.name }))}
        onChange={(id) => {
          setHeaterId(id);
          setSetting(null);
        }}
      />
      <View>
        <NumberField
          label={t('setting')}
          unit={`°${units.temperature}`}
          low={tempNumber(heater.minSetC, units)}
          high={tempNumber(heater.maxSetC, units)}
          value={tempNumber(setC, units)}
          onCommit={(v) => setSetting(Math.round(typedToC(v, units)))}
        />
      </View>
    </>
  );
}

/** Why so long and so hot. */
export function GlueWhy({ here: { job, heater, setC, r } }: { here: GlueState }) {
  return (
    <Why
      job={job}
      call="batteryGlue"
      inputs={{ heater: heater.id, setC }}
      computed={{ readyS: r?.readyS ?? null, battery: r?.battery?.peakC ?? null }}
      notes={[t('theSameLayersFromTheOther'), t('proposedTheHottestSettingThatTakes')]}
      rows={[
        rowOf(t('glueGivesFrom'), glueStartC, '°C'),
        rowOf(t('shortestHeat'), timedS, 's'),
        rowOf(t('heatPassingAtTheContact'), heater.conductanceWm2K, 'W/m²K'),
      ]}
    />
  );
}
