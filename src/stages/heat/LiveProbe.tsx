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
import { t } from '@/words/heat';

type Units = Pick<Settings, 'temperature' | 'length'>;

/** What is wrong with a probe, in words that say what to do. */
const faultWords: Record<ProbeFault, { what: string; todo: string }> = {
  dropout: {
    get what() {
      return t('noMoreReadingsCome');
    },
    get todo() {
      return t('checkCableAndLogger');
    },
  },
  open: {
    get what() {
      return t('theLoggerSeesNoProbe');
    },
    get todo() {
      return t('plugItInOrSwapIt');
    },
  },
  frozen: {
    get what() {
      return t('theSameReadingAgainAndAgain');
    },
    get todo() {
      return t('switchTheLoggerOffAndOn');
    },
  },
  loose: {
    get what() {
      return t('theReadingFellTowardRoomAir');
    },
    get todo() {
      return t('tapeItDownAgain');
    },
  },
  astray: {
    get what() {
      return t('itReadsFarTooLowFrom');
    },
    get todo() {
      return t('isItAtTheEdgeOf');
    },
  },
  drift: {
    get what() {
      return t('itDriftsAwayFromAnythingHeat');
    },
    get todo() {
      return t('checkTheProbeInIceWater');
    },
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
          ? t('liveProbe')
          : fault
            ? t('liveProbeNotToBeTrusted')
            : live.state === 'live'
              ? t('liveProbeReading')
              : t('liveProbeWaiting')
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
        <Button kind="small" label={t('connectTheInstruments')} onPress={() => void connectInstruments()} />
      ) : (
        <View className="gap-2">
          {fault ? (
            <View role="alert" className="border-[1.5px] border-caution bg-panel p-2" testID="probeFault">
              <Txt strong tone="caution">
                {fault.what}
              </Txt>
              <Txt size="s">{`${used ? t('theClockGoesOnWithThe', { todo: fault.todo }) : t('theClockGoesOnWithThe2', { todo: fault.todo })}${state?.good ? ` ${t('lastGoodReadingAgo', { tempC: temp(state.good.tempC, units), now: clock(now / 1e3 - state.good.tS) })}` : ''}`}</Txt>
            </View>
          ) : newest ? (
            <View>
              <Txt num strong size="xl" testID="probe">
                {temp(newest.tempC!, units)}
              </Txt>
              <Txt size="s" tone="ink2">
                {expectedC
                  ? t('probeAtTheGlueAgoModel', {
                      now: clock((now - newest.at) / 1e3),
                      low: temp(expectedC.low, units),
                      high: temp(expectedC.high, units),
                    })
                  : t('probeAtTheGlueAgo', { now: clock((now - newest.at) / 1e3) })}
              </Txt>
            </View>
          ) : (
            <Txt size="s">{t('waitingForTheFirstReading')}</Txt>
          )}
          <Txt
            size="s"
            tone="ink2"
            testID="basis"
          >{`${used ? t('theClockRunsOnModelAnd') : t('theClockRunsOnTheModel')}${live.plate ? ` ${t('plateShowsSetTo', { plateC: temp(live.plate.plateC, units), setC: temp(live.plate.setC, units) })}` : ''}`}</Txt>
          {plateBehind(live, heat) ? (
            <Txt size="s" tone="caution" testID="plateBehind">
              {t('thePlateShowsTheClockTook', {
                plateC: temp(live.plate!.plateC, units),
                setC: temp(heat!.setC, units),
              })}
            </Txt>
          ) : null}
          {setC !== null && live.plate && (!live.plate.heating || live.plate.setC !== setC) ? (
            <Button
              kind="small"
              label={t('setThePlateTo', { setC: dial(setC) })}
              onPress={() => controlPlate({ setC, heating: true })}
            />
          ) : null}
          {live.about?.simulated ? (
            <Choice
              label={t('practiceBenchWhatIsWrongWith')}
              value={null}
              options={live.about.faults.map((f) => ({ id: f, name: f }))}
              onChange={(f) => void simulate({ fault: f })}
            />
          ) : null}
          <Button kind="small" label={t('disconnect')} onPress={disconnectInstruments} />
        </View>
      )}
    </Disclosure>
  );
}
