import { View } from 'react-native';

import { glueStartC, timedS } from '@/core/heat/glue';
import { ThermalWait } from '@/bench-kit/ThermalWait';
import { rowOf, Why } from '@/bench-kit/Why';
import { Call } from '@/ui/Call';
import { Choice } from '@/ui/Choice';
import { NumberField } from '@/ui/NumberField';
import { Readings } from '@/ui/Readings';
import { clock, dial, temp, tempNumber, typedToC } from '@/words/units';
import type { GlueState } from './useGlue';

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
      <Call
        sentence={
          peak >= stopC
            ? 'The cell passes its stop mark.'
            : r.readyS
              ? `Front down on the ${heater.kind} at ${dial(setC)} for ${clock(r.readyS.high)}.`
              : `${dial(setC)} does not get the glue to ${temp(glueStartC.value, units)}.`
        }
        reason={
          peak >= cautionC
            ? `Not promised: the cell under ${temp(cautionC, units)}; up to ${temp(peak, units)}, stop ${temp(stopC, units)}.${proposed ? ` ${dial(proposed.setC)} keeps it under.` : ' No setting here does both.'}`
            : `All of the glue at ${temp(glueStartC.value, units)} or more, the cell at most ${temp(peak, units)} in the model. Pull slowly and flat, re-warm when it holds.`
        }
        tone={peak >= cautionC || !r.readyS ? 'caution' : 'ink'}
      />
      <View className="mt-3">
        <Readings
          items={[
            { id: 'cold', value: `${tempNumber(r.glueC.coldest, units)}°`, label: 'coldest glue then, at least' },
            { id: 'hot', value: `${tempNumber(r.glueC.hottest, units)}°`, label: 'hottest glue then' },
            {
              id: 'cell',
              value: `${tempNumber(peak, units)}°`,
              label: `cell, at most. ${clock(r.battery?.aboveCautionS.high ?? 0)} above ${tempNumber(cautionC, units)}°`,
              tone: peak >= cautionC ? 'caution' : 'ink',
            },
            {
              id: 'display',
              value: r.display ? `${tempNumber(r.display.peakC.high, units)}°` : '–',
              label: 'display, at most',
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
        label="Heat with"
        value={heater.id}
        options={heaters.map((h) => ({ id: h.id, name: h.name }))}
        onChange={(id) => {
          setHeaterId(id);
          setSetting(null);
        }}
      />
      <View>
        <NumberField
          label="Setpoint"
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
      notes={[
        'The same stack of layers with depth and x reversed, the glue as a film under the cell; cells of 4 mm.',
        'Proposed: the hottest setting that takes a minute or more and keeps cell and display under their caution marks by the high bound.',
      ]}
      rows={[
        rowOf('Glue gives from', glueStartC, '°C'),
        rowOf('Shortest heat', timedS, 's'),
        rowOf('Contact conductance', heater.conductanceWm2K, 'W/m²K'),
      ]}
    />
  );
}
