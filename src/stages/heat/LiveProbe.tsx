import { View } from 'react-native';

import { watchProbe, type ProbeFault, type ProbeState } from '@/core/instruments/probeWatch';
import type { Range } from '@/core/source';
import type { Settings } from '@/model/settings';
import {
  connectInstruments,
  controlPlate,
  disconnectInstruments,
  simulate,
  type Instruments,
} from '@/bench-kit/instruments';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { clock, dial, temp } from '@/words/units';

type Units = Pick<Settings, 'temperature' | 'length'>;

/** What is wrong with a probe, in words that say what to do. */
const faultWords: Record<ProbeFault, { what: string; todo: string }> = {
  dropout: { what: 'No reading comes any more.', todo: 'Look at cable and logger.' },
  open: { what: 'The logger sees no probe.', todo: 'Plug it in, or replace it.' },
  frozen: {
    what: 'The same figure again and again: the probe or its logger hangs.',
    todo: 'Switch the logger off and on.',
  },
  loose: { what: 'It fell toward the air: the probe has come off the glass.', todo: 'Tape it down again.' },
  astray: {
    what: 'It reads far under the line from the start.',
    todo: 'Is it at the glass edge, and was the heater as hot as was said?',
  },
  drift: {
    what: 'It creeps away from everything that heat explains.',
    todo: 'Check the probe in ice water or against another.',
  },
};

/** State of the probe with times of this browser in seconds. */
export function probeNow(
  live: Instruments,
  expected: (at: number) => Range,
  now: number,
  ambientC: number,
): ProbeState {
  return watchProbe(
    live.readings.map((r) => ({ tS: r.at / 1e3, tempC: r.tempC })),
    (tS) => expected(tS * 1e3),
    now / 1e3,
    ambientC,
  );
}

/** A plate that shows much less than its setpoint was not warm, whatever was said. */
const plateBehind = (live: Instruments, heat: LiveProbeProps['heat']) =>
  heat !== null && heat.preheated && live.plate !== null && live.plate.plateC < heat.setC - 10;

interface LiveProbeProps {
  live: Instruments;
  state: ProbeState | null;
  expectedC: Range | null;
  /** readings narrow the forecast now */
  used: boolean;
  now: number;
  /** the heat that is on, on a plate */
  heat: { setC: number; preheated: boolean } | null;
  /** setpoint that the plate may be set to from here; null: not now */
  setC: number | null;
  units: Units;
}

/** The reading of a connected probe, what it is worth, and what the clock makes of it. */
export function LiveProbe({ live, state, expectedC, used, now, heat, setC, units }: LiveProbeProps) {
  const newest = live.readings.findLast((r) => r.tempC !== null);
  const fault = state?.fault ? faultWords[state.fault] : null;
  return (
    <Disclosure
      title={
        live.state === 'off'
          ? 'Live probe'
          : `Live probe: ${fault ? 'not to be trusted' : live.state === 'live' ? 'reads' : 'waiting'}`
      }
      open={live.state !== 'off'}
    >
      {live.problem ? (
        <View role="alert" className="mb-1">
          <Txt size="s" tone="caution">
            {live.problem}
          </Txt>
        </View>
      ) : null}
      {live.state === 'off' ? (
        <Button kind="small" label="Connect the instruments" onPress={() => void connectInstruments()} />
      ) : (
        <View className="gap-2">
          {fault ? (
            <View role="alert" className="border-[1.5px] border-caution bg-panel p-2" testID="probeFault">
              <Txt strong tone="caution">
                {fault.what}
              </Txt>
              <Txt size="s">
                {fault.todo} The clock goes on with {used ? 'the model and what was read before' : 'the model alone'}; a
                dead probe is not a cold device.
                {state?.good
                  ? ` Last good reading ${temp(state.good.tempC, units)}, ${clock(now / 1e3 - state.good.tS)} ago.`
                  : ''}
              </Txt>
            </View>
          ) : newest ? (
            <View>
              <Txt num strong size="xl" testID="probe">
                {temp(newest.tempC!, units)}
              </Txt>
              <Txt size="s" tone="ink2">
                probe at the bond line, {clock((now - newest.at) / 1e3)} ago
                {expectedC ? `; model ${temp(expectedC.low, units)} to ${temp(expectedC.high, units)}` : ''}
              </Txt>
            </View>
          ) : (
            <Txt size="s">Waiting for the first reading.</Txt>
          )}
          <Txt size="s" tone="ink2" testID="basis">
            {used ? 'Basis of the clock: model and probe.' : 'Basis of the clock: model alone.'}
            {live.plate
              ? ` Plate shows ${temp(live.plate.plateC, units)}, set to ${temp(live.plate.setC, units)}.`
              : ''}
          </Txt>
          {plateBehind(live, heat) ? (
            <Txt size="s" tone="caution" testID="plateBehind">
              The plate shows {temp(live.plate!.plateC, units)}, the clock took it for {temp(heat!.setC, units)}: it was
              not at its setpoint. Take the tap back with &quot;Not yet&quot; and choose &quot;Still cold&quot;.
            </Txt>
          ) : null}
          {setC !== null && live.plate && (!live.plate.heating || live.plate.setC !== setC) ? (
            <Button
              kind="small"
              label={`Set the plate to ${dial(setC)}`}
              onPress={() => controlPlate({ setC, heating: true })}
            />
          ) : null}
          {live.about?.simulated ? (
            <Choice
              label="Simulated bench: what is wrong with it"
              value={null}
              options={live.about.faults.map((f) => ({ id: f, name: f }))}
              onChange={(f) => void simulate({ fault: f })}
            />
          ) : null}
          <Button kind="small" label="Disconnect" onPress={disconnectInstruments} />
        </View>
      )}
    </Disclosure>
  );
}
