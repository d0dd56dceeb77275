import { View } from 'react-native';
import Svg, { Circle, Line, Path, Text as SvgText } from 'react-native-svg';

import { predictAt, type Calibration } from '@/core/heat/calibrate';
import { type ThermoLog } from '@/model/thermoLog';
import { controlPlate, connectInstruments } from '@/bench-kit/instruments';
import { nowMs } from '@/store/clock';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Choice } from '@/ui/Choice';
import { NumberField } from '@/ui/NumberField';
import { useTokens } from '@/ui/theme';
import { Txt } from '@/ui/Txt';
import { digits, kelvin, spoken, temp, tempNumber, toF, typedToC } from '@/words/units';
import { correlationWords, reachesWords } from './fitWords';
import { largest, smallest } from '@/core/numeric/ends';
import type { CalibrateState } from './useCalibrate';
import { t as tr } from '@/words/heaters';

/** The fitted curve over the points of the log. */
function FitChart({
  log,
  fit,
  width,
  units,
}: {
  log: ThermoLog;
  fit: Calibration;
  width: number;
  units: Parameters<typeof temp>[1];
}) {
  const t = useTokens();
  const height = 190;
  const [left, bottom] = [40, 24];
  const t1 = log.tS[log.tS.length - 1]! || 1;
  const shown = (c: number) => (units.temperature === 'C' ? c : toF(c));
  const all = [...log.tempC, ...fit.fittedC].map(shown);
  const [lo, hi] = [Math.floor(smallest(all) / 20) * 20, Math.ceil(largest(all) / 20) * 20];
  const x = (s: number) => left + (s / t1) * (width - left - 8);
  const y = (c: number) => 8 + ((hi - shown(c)) / (hi - lo)) * (height - bottom - 8);
  const stride = Math.ceil(log.tS.length / 150);
  const ticks = Array.from({ length: (hi - lo) / 20 + 1 }, (_, i) => lo + 20 * i);
  const tone = { fill: t.ink2, fontFamily: 'Mono_500', fontSize: 12 };
  return (
    <View
      role="img"
      aria-label={tr('logOfReadingsUpToThe', {
        n: log.tS.length,
        tempC: tempNumber(largest(log.tempC), units),
        temperature: units.temperature,
        figure: digits(fit.residualSdK, 1),
      })}
    >
      <Svg width={width} height={height}>
        {ticks.map((v) => {
          const at = 8 + ((hi - v) / (hi - lo)) * (height - bottom - 8);
          return <Line key={v} x1={left} x2={width - 8} y1={at} y2={at} stroke={t.rule} strokeWidth={1} />;
        })}
        {ticks.map((v) => (
          <SvgText
            key={v}
            x={left - 6}
            y={12 + ((hi - v) / (hi - lo)) * (height - bottom - 8)}
            textAnchor="end"
            {...tone}
          >
            {v}
          </SvgText>
        ))}
        {[0, 0.5, 1].map((u) => (
          <SvgText key={u} x={x(u * t1)} y={height - 6} textAnchor={u === 1 ? 'end' : u ? 'middle' : 'start'} {...tone}>
            {spoken(u * t1)}
          </SvgText>
        ))}
        {log.tS.map((s, i) =>
          i % stride === 0 ? <Circle key={i} cx={x(s)} cy={y(log.tempC[i]!)} r={2.2} fill={t.go} /> : null,
        )}
        <Path
          d={fit.fittedC.map((c, i) => `${i ? 'L' : 'M'}${x(log.tS[i]!).toFixed(1)} ${y(c).toFixed(1)}`).join(' ')}
          fill="none"
          stroke={t.ink}
          strokeWidth={2}
        />
      </Svg>
      <Txt size="s" tone="ink2">
        {tr('dotsTheLogLineTheModel')}
      </Txt>
    </View>
  );
}

/** What the fit says, or how to take a log. */
export function CalibrateCall({ here: { good, model, setC, at, input, s, before, after } }: { here: CalibrateState }) {
  return good && model ? (
    <Call
      sentence={reachesWords(setC, at, predictAt(model, good, input, at), s)}
      reason={
        before && after
          ? tr('aFirstEdgeIsAtAfter', {
              temp: temp(60, s),
              low: spoken(after.low),
              high: spoken(after.high),
              low2: spoken(before.low),
              high2: spoken(before.high),
            })
          : tr('heatShowsWhatItChanges')
      }
      tone="ink"
    />
  ) : (
    <Call sentence={tr('aThermocoupleAtTheGlueEight')} reason={tr('tapeTheBeadToTheEdge')} tone="ink" />
  );
}

/** Where the log comes from. */
export function LogSource({
  here: { pick, live, recordFrom, setRecordFrom, setC, stopRecording },
}: {
  here: CalibrateState;
}) {
  return (
    <View className="flex-row flex-wrap gap-2 my-3">
      <Button kind="small" label={tr('logFromAFile')} onPress={() => void pick()} />
      {live.state === 'off' ? (
        <Button kind="small" label={tr('connectTheInstruments')} onPress={() => void connectInstruments()} />
      ) : recordFrom === null ? (
        <Button
          kind="small"
          label={tr('recordFromTheInstrument')}
          onPress={() => {
            setRecordFrom(nowMs());
            controlPlate({ setC, heating: true, deviceOn: true });
          }}
        />
      ) : (
        <Button
          kind="small"
          label={tr('stopRecordingReadings', { count: live.readings.filter((r) => r.at >= recordFrom).length })}
          onPress={stopRecording}
        />
      )}
    </View>
  );
}

/** How the log was read, and how else it can be. */
export function LogFacts({ here: { log, from, durationS, read } }: { here: CalibrateState }) {
  const facts = log &&
    from && {
      name: from.name,
      length: log.tS.length,
      durationS: spoken(durationS),
      tempName: log.tempName,
      timeName: log.timeName,
      unit: log.unit,
    };
  return (
    <>
      {log && facts ? (
        <Txt size="s" testID="logFacts">
          {log.unitFrom === 'guess'
            ? log.skipped
              ? tr('readingsOverAgainstReadAsGuessed', { ...facts, skipped: log.skipped })
              : tr('readingsOverAgainstReadAsGuessed2', facts)
            : log.skipped
              ? tr('readingsOverAgainstReadAsWithout', { ...facts, skipped: log.skipped })
              : tr('readingsOverAgainstReadAs', facts)}
        </Txt>
      ) : null}
      {log && from?.text ? (
        <View className="flex-row flex-wrap gap-2 my-2">
          <Button
            kind="small"
            label={log.unit === 'C' ? tr('readAsFInstead') : tr('readAsCInstead')}
            onPress={() => void read(from.name, from.text!, { temp: log.tempName, unit: log.unit === 'C' ? 'F' : 'C' })}
          />
          {log.otherTemps.slice(0, 4).map((t) => (
            <Button
              key={t}
              kind="small"
              label={tr('use', { t })}
              onPress={() => void read(from.name, from.text!, { temp: t })}
            />
          ))}
        </View>
      ) : null}
    </>
  );
}

/** The curve, its figures and what they are worth. */
export function FitResult({ here: { good, log, width, s, preheated, advice } }: { here: CalibrateState }) {
  return good && log ? (
    <View testID="fit">
      <FitChart log={log} fit={good} width={Math.min(width - 32, 760)} units={s} />
      {(
        [
          [tr('heatPassingAtTheContact'), digits(good.value.conductanceWm2K), digits(good.se.conductanceWm2K), 'W/m²K'],
          [tr('readsOffByTheHeaterLess'), kelvin(good.value.offsetK, s), kelvin(good.se.offsetK, s), ''],
          ...(preheated ? [] : [[tr('timeConstant'), digits(good.value.lagS), digits(good.se.lagS, 1), 's']]),
        ] as string[][]
      ).map(([name, v, u, unit]) => (
        <View key={name} className="flex-row justify-between border-b border-rule py-1">
          <Txt size="s">{name}</Txt>
          <Txt size="s" num>
            {v} ± {u} {unit}
          </Txt>
        </View>
      ))}
      <Txt size="s" className="mt-1">
        {tr('curveAgainstPointsStandardDeviationThe', {
          correlation: correlationWords(good.correlation),
          residualSdK: kelvin(good.residualSdK, s, 2),
        })}
      </Txt>
      {advice ? (
        <Txt size="s" tone="caution" className="mt-1">
          {advice}
        </Txt>
      ) : null}
    </View>
  ) : null;
}

/** How the log was taken. */
export function HowItWas({
  here: {
    view,
    devices,
    setDeviceId,
    s,
    heater,
    setC,
    setSetC,
    ambientC,
    setAmbientC,
    preheated,
    setPreheated,
    surface,
    setSurface,
  },
}: {
  here: CalibrateState;
}) {
  return (
    <View className="mt-4">
      <Choice
        label={tr('deviceOnIt')}
        value={view.device.id}
        options={devices.map((v) => ({ id: v.device.id, name: v.device.name }))}
        onChange={setDeviceId}
      />
      <NumberField
        label={tr('setting')}
        unit={`°${s.temperature}`}
        low={tempNumber(40, s)}
        high={tempNumber(heater.maxSetC, s)}
        value={tempNumber(setC, s)}
        onCommit={(v) => setSetC(Math.round(typedToC(v, s)))}
      />
      <NumberField
        label={tr('room')}
        unit={`°${s.temperature}`}
        low={tempNumber(5, s)}
        high={tempNumber(40, s)}
        value={tempNumber(ambientC, s)}
        onCommit={(v) => setAmbientC(typedToC(v, s))}
      />
      <Choice
        label={tr('whenTheDeviceWentOnThe')}
        value={preheated ? 'hot' : 'cold'}
        options={[
          { id: 'cold', name: tr('stillCold') },
          { id: 'hot', name: tr('alreadyHot') },
        ]}
        onChange={(v) => setPreheated(v === 'hot')}
      />
      <NumberField
        label={tr('aSurfaceProbeOnTheHeater')}
        unit={`°${s.temperature}`}
        low={tempNumber(20, s)}
        high={tempNumber(300, s)}
        value={surface === null ? null : tempNumber(surface, s)}
        onCommit={(v) => setSurface(typedToC(v, s))}
      />
    </View>
  );
}
