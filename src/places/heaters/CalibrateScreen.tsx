import { isContact } from '@/core/heat/heater';
import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { useWindowDimensions, View } from 'react-native';
import Svg, { Circle, Line, Path, Text as SvgText } from 'react-native-svg';

import { bondPerimeter } from '@/core/device/perimeter';
import { faceView } from '@/core/device/faceView';
import { heatModelled } from '@/core/device/thermalStack';
import { calibrate, predictAt, type Calibration } from '@/core/heat/calibrate';
import { readyAt } from '@/core/heat/forecast';
import type { ContactHeater } from '@/core/heat/heater';
import { answersOf } from '@/core/heat/heaterKind';
import { arcCells, HeatRun } from '@/core/heat/run';
import { maxLogBytes, type ThermoChoice, type ThermoLog } from '@/model/thermoLog';
import { heatersOf } from '@/model/settings';
import { controlPlate, connectInstruments, useInstruments } from '@/bench-kit/instruments';
import { ThermalWait } from '@/bench-kit/ThermalWait';
import { useFileRead } from '@/bench-kit/useFileRead';
import { useThermal } from '@/bench-kit/useThermal';
import { saveSettings, useDevices, useSettings } from '@/store/shop';
import { savingTrouble } from '@/store/trouble';
import { nowMs } from '@/store/clock';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Choice } from '@/ui/Choice';
import { pickText } from '@/ui/download';
import { NumberField } from '@/ui/NumberField';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { useTokens } from '@/ui/theme';
import { Txt } from '@/ui/Txt';
import { clock, kelvin, temp, tempNumber, toF, typedToC } from '@/words/units';
import { thermoLogOf } from '@/workers/filesClient';
import { calibrated, correlationWords, fitAdvice, reachesWords } from './fitWords';
import { withHeater } from './withHeater';
import { largest, smallest } from '@/core/numeric/ends';

/** Conductance, offset and lag of one heater from a thermocouple log: a file, or the live instrument. */
export function CalibrateScreen({ id }: { id: string }) {
  const s = useSettings();
  const heater = heatersOf(s).find((h) => h.id === id);
  if (!heater || !isContact(heater))
    return (
      <PlaceFrame title="Calibrate" line="no plate or mat of that name on this bench">
        <Txt>It may have been taken off the bench.</Txt>
      </PlaceFrame>
    );
  return <Calibrate heater={heater} />;
}

interface Source {
  name: string;
  text: string | null;
  log: ThermoLog;
}

function Calibrate({ heater }: { heater: ContactHeater }) {
  const s = useSettings();
  const router = useRouter();
  const file = useFileRead();
  const { width } = useWindowDimensions();
  const shelf = useDevices();
  const devices = useMemo(
    () => shelf.map(({ device: d }) => faceView(d, d.bonds[0]!)).filter((v) => heatModelled(v.device, v.bond)),
    [shelf],
  );
  const [deviceId, setDeviceId] = useState<string | null>(null);
  const view = devices.find((v) => v.device.id === deviceId) ?? devices[0]!;
  const source = useThermal(view.device, view.bond);
  const [setC, setSetC] = useState(answersOf(heater).usualSetC.value);
  const [ambientC, setAmbientC] = useState(s.roomC);
  const [preheated, setPreheated] = useState(false);
  const [surface, setSurface] = useState<number | null>(null);
  const [from, setFrom] = useState<Source | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [kept, setKept] = useState(false);
  const [openedAt] = useState(() => nowMs());
  const live = useInstruments();
  const [recordFrom, setRecordFrom] = useState<number | null>(null);

  const model = source.model;
  const cell = useMemo(
    () => (model ? model.modes.bondSMm.reduce((best, x, i, list) => (x < list[best]! ? i : best), 0) : 0),
    [model],
  );
  const fit = useMemo((): { fit: Calibration } | { problem: string } | null => {
    if (!model || !from) return null;
    try {
      return {
        fit: calibrate(model, {
          log: from.log,
          setC,
          ambientC,
          cell,
          preheated,
          start: {
            conductanceWm2K: heater.conductanceWm2K.value,
            offsetK: heater.offsetK.value,
            lagS: heater.lagS.value,
          },
          ...(surface === null ? {} : { prior: { offsetK: { mean: surface - setC, sd: 1 } } }),
        }),
      };
    } catch (e) {
      return { problem: e instanceof Error ? e.message : 'the log cannot be fitted' };
    }
  }, [model, from, setC, ambientC, cell, preheated, surface, heater]);

  const read = async (name: string, text: string, choose: ThermoChoice = {}) => {
    try {
      const log = await file.read(name, (onShare) => thermoLogOf(text, choose, onShare));
      setFrom({ name, text, log });
      setProblem(null);
      setKept(false);
    } catch (e) {
      // the log that was there stays
      setProblem(`${name}: ${e instanceof Error ? e.message : 'not readable'}. Nothing was changed.`);
    }
  };
  const pick = async () => {
    const picked = await pickText('.csv,.txt,.tsv,text/csv,text/plain', maxLogBytes).catch((e: unknown) => {
      setProblem(`${e instanceof Error ? e.message : 'not readable'}. Nothing was changed.`);
      return null;
    });
    if (picked) await read(picked.name, picked.text);
  };
  const stopRecording = () => {
    const since = recordFrom ?? 0;
    const list = live.readings.filter((r) => r.at >= since && r.tempC !== null);
    setRecordFrom(null);
    controlPlate({ heating: false, deviceOn: false });
    if (list.length < 2) return setProblem('The instrument sent no reading while it was recorded.');
    setFrom({
      name: 'live instrument',
      text: null,
      log: {
        tS: list.map((r) => (r.at - since) / 1e3),
        tempC: list.map((r) => r.tempC!),
        unit: 'C',
        unitFrom: 'heading',
        timeName: 'live',
        tempName: 'probe',
        otherTemps: [],
        skipped: 0,
      },
    });
    setProblem(null);
    setKept(false);
  };
  const good = fit && 'fit' in fit ? fit.fit : null;
  const log = from?.log;
  const durationS = log ? log.tS[log.tS.length - 1]! - log.tS[0]! : 0;
  const input = { setC, ambientC, cell, preheated };
  const next =
    good && log
      ? calibrated(heater, good, {
          at: openedAt,
          device: view.device.name,
          setC,
          count: log.tS.length,
          durationS,
          preheated,
        })
      : null;
  const readyWith = (h: ContactHeater) => {
    if (!model) return null;
    const arcs = arcCells(model, bondPerimeter(view.device, view.bond).lengthMm);
    return readyAt(HeatRun.start(model, h, ambientC, [{ atS: 0, setC, preheated: true }]), arcs[0]!, 60, 0);
  };
  const [before, after] = next ? [readyWith(heater), readyWith(next)] : [null, null];
  const keep = () => {
    if (!next) return;
    saveSettings(withHeater(s, next)).then(
      () => setKept(true),
      (e: unknown) => setProblem(savingTrouble(e)),
    );
  };
  const advice = good ? fitAdvice(good, durationS) : null;
  const at = Math.min(120, durationS);
  return (
    <PlaceFrame
      title={`Calibrate: ${heater.name}`}
      line={
        heater.calibration
          ? `calibrated on ${heater.calibration.device}, ${heater.calibration.count} readings`
          : 'not calibrated on this bench'
      }
      actions={
        <>
          <View className="flex-1">
            <Button label="Heaters" onPress={() => router.replace('/heaters')} />
          </View>
          <View className="flex-[2]">
            <Button
              kind="main"
              label={kept ? 'Kept' : 'Keep for this heater'}
              onPress={keep}
              disabled={!next || kept}
              {...(!next ? { why: 'no log is fitted' } : {})}
            />
          </View>
        </>
      }
    >
      {good && model ? (
        <Call
          sentence={reachesWords(setC, at, predictAt(model, good, input, at), s)}
          reason={
            before && after
              ? `A starting edge is at ${temp(60, s)} after ${clock(after.low)} to ${clock(after.high)}; with the figures so far ${clock(before.low)} to ${clock(before.high)}.`
              : 'What it changes shows on the Heat stage.'
          }
          tone="ink"
        />
      ) : (
        <Call
          sentence="A thermocouple at the bond line, heat for eight minutes, then the log."
          reason="Tape the bead to the edge of the glass at the bottom middle, lay the device on as usual. Cold plate or plate at its setpoint: say which."
          tone="ink"
        />
      )}
      {file.view}
      {problem ? (
        <View role="alert" className="border-[1.5px] border-caution bg-panel p-2 my-2">
          <Txt tone="caution" testID="problem">
            {problem}
          </Txt>
        </View>
      ) : null}
      {fit && 'problem' in fit ? (
        <View role="alert" className="border-[1.5px] border-caution bg-panel p-2 my-2">
          <Txt tone="caution" testID="problem">
            {fit.problem}
          </Txt>
        </View>
      ) : null}
      {model ? null : <ThermalWait thermal={source} />}
      <View className="flex-row flex-wrap gap-2 my-3">
        <Button kind="small" label="Log from a file" onPress={() => void pick()} />
        {live.state === 'off' ? (
          <Button kind="small" label="Connect the instruments" onPress={() => void connectInstruments()} />
        ) : recordFrom === null ? (
          <Button
            kind="small"
            label="Record from the instrument"
            onPress={() => {
              setRecordFrom(nowMs());
              controlPlate({ setC, heating: true, deviceOn: true });
            }}
          />
        ) : (
          <Button
            kind="small"
            label={`Stop recording, ${live.readings.filter((r) => r.at >= recordFrom).length} readings`}
            onPress={stopRecording}
          />
        )}
      </View>
      {live.problem ? (
        <Txt size="s" tone="caution">
          {live.problem}
        </Txt>
      ) : null}
      {log && from ? (
        <Txt size="s" testID="logFacts">
          {from.name}: {log.tS.length} readings over {clock(durationS)}, {log.tempName} against {log.timeName}, read as
          °{log.unit}
          {log.unitFrom === 'guess' ? ' (guessed from the first reading)' : ''}
          {log.skipped ? `, ${log.skipped} without a value left out` : ''}.
        </Txt>
      ) : null}
      {log && from?.text ? (
        <View className="flex-row flex-wrap gap-2 my-2">
          <Button
            kind="small"
            label={`Read as °${log.unit === 'C' ? 'F' : 'C'} instead`}
            onPress={() => void read(from.name, from.text!, { temp: log.tempName, unit: log.unit === 'C' ? 'F' : 'C' })}
          />
          {log.otherTemps.slice(0, 4).map((t) => (
            <Button
              key={t}
              kind="small"
              label={`Use ${t}`}
              onPress={() => void read(from.name, from.text!, { temp: t })}
            />
          ))}
        </View>
      ) : null}
      {good && log ? (
        <View testID="fit">
          <FitChart log={log} fit={good} width={Math.min(width - 32, 760)} units={s} />
          {(
            [
              [
                'Contact conductance',
                good.value.conductanceWm2K.toFixed(0),
                good.se.conductanceWm2K.toFixed(0),
                'W/m²K',
              ],
              ['Offset: the heater less its dial', kelvin(good.value.offsetK, s), kelvin(good.se.offsetK, s), ''],
              ...(preheated ? [] : [['Time constant', good.value.lagS.toFixed(0), good.se.lagS.toFixed(1), 's']]),
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
            {correlationWords(good.correlation)} Curve against points: {kelvin(good.residualSdK, s, 2)} (standard
            deviation). The uncertainties are lower bounds, because readings follow one another.
          </Txt>
          {advice ? (
            <Txt size="s" tone="caution" className="mt-1">
              {advice}
            </Txt>
          ) : null}
        </View>
      ) : null}
      <View className="mt-4">
        <Choice
          label="Device on it"
          value={view.device.id}
          options={devices.map((v) => ({ id: v.device.id, name: v.device.name }))}
          onChange={setDeviceId}
        />
        <NumberField
          label="Setpoint"
          unit={`°${s.temperature}`}
          low={tempNumber(40, s)}
          high={tempNumber(heater.maxSetC, s)}
          value={tempNumber(setC, s)}
          onCommit={(v) => setSetC(Math.round(typedToC(v, s)))}
        />
        <NumberField
          label="Room"
          unit={`°${s.temperature}`}
          low={tempNumber(5, s)}
          high={tempNumber(40, s)}
          value={tempNumber(ambientC, s)}
          onCommit={(v) => setAmbientC(typedToC(v, s))}
        />
        <Choice
          label="When the device was laid on, the heater was"
          value={preheated ? 'hot' : 'cold'}
          options={[
            { id: 'cold', name: 'Still cold' },
            { id: 'hot', name: 'At its setpoint' },
          ]}
          onChange={(v) => setPreheated(v === 'hot')}
        />
        <NumberField
          label="A surface probe on the heater read (helps, if there is one)"
          unit={`°${s.temperature}`}
          low={tempNumber(20, s)}
          high={tempNumber(300, s)}
          value={surface === null ? null : tempNumber(surface, s)}
          onCommit={(v) => setSurface(typedToC(v, s))}
        />
      </View>
    </PlaceFrame>
  );
}

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
      aria-label={`Log of ${log.tS.length} readings up to ${tempNumber(largest(log.tempC), units)} °${units.temperature}, the curve misses them by ${fit.residualSdK.toFixed(1)} K`}
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
            {clock(u * t1)}
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
        Dots: the log. Line: the model with the fitted figures.
      </Txt>
    </View>
  );
}
