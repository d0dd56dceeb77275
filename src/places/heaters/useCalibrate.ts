import { useRouter } from 'expo-router';
import { useMemo, useState } from 'react';
import { useWindowDimensions } from 'react-native';

import { bondPerimeter } from '@/core/device/perimeter';
import { faceView } from '@/core/device/faceView';
import { heatModelled } from '@/core/device/thermalStack';
import { calibrate, type Calibration } from '@/core/heat/calibrate';
import { readyAt } from '@/core/heat/forecast';
import type { ContactHeater } from '@/core/heat/heater';
import { answersOf } from '@/core/heat/heaterKind';
import { arcCells } from '@/core/heat/arcs';
import { HeatRun } from '@/core/heat/run';
import { maxLogBytes, type ThermoChoice, type ThermoLog } from '@/model/thermoLog';
import { controlPlate, useInstruments } from '@/bench-kit/instruments';
import { useFileRead } from '@/bench-kit/useFileRead';
import { useThermal } from '@/bench-kit/useThermal';
import { saveSettings, useSettings, useDevices } from '@/store/shop';
import { savingTrouble } from '@/store/trouble';
import { nowMs } from '@/store/clock';
import { pickText } from '@/ui/download';
import { thermoLogOf } from '@/workers/filesClient';
import { calibrated, fitAdvice } from './fitWords';
import { withHeater } from './withHeater';
import { t } from '@/words/heaters';

interface Source {
  name: string;
  text: string | null;
  log: ThermoLog;
}

/** What was measured, and the figures that fit it. */
function useFit({ heater }: { heater: ContactHeater }) {
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
      return { problem: e instanceof Error ? e.message : t('theLogCannotBeFitted') };
    }
  }, [model, from, setC, ambientC, cell, preheated, surface, heater]);
  return {
    file,
    setFrom,
    setProblem,
    setKept,
    recordFrom,
    live,
    setRecordFrom,
    fit,
    from,
    setC,
    ambientC,
    cell,
    preheated,
    heater,
    openedAt,
    view,
    model,
    s,
    devices,
    setDeviceId,
    setSetC,
    setAmbientC,
    setPreheated,
    surface,
    setSurface,
    width,
    router,
    kept,
    problem,
    source,
  };
}

/** How it stands: what Calibrate shows and does. */
export function useCalibrate(p: { heater: ContactHeater }) {
  const so = useFit(p);
  const {
    file,
    setFrom,
    setProblem,
    setKept,
    recordFrom,
    live,
    setRecordFrom,
    fit,
    from,
    setC,
    ambientC,
    cell,
    preheated,
    heater,
    openedAt,
    view,
    model,
    s,
  } = so;

  const read = async (name: string, text: string, choose: ThermoChoice = {}) => {
    try {
      const log = await file.read(name, (onShare) => thermoLogOf(text, choose, onShare));
      setFrom({ name, text, log });
      setProblem(null);
      setKept(false);
    } catch (e) {
      // the log that was there stays
      setProblem(t('nothingWasChanged', { name, message: e instanceof Error ? e.message : t('notReadable') }));
    }
  };
  const pick = async () => {
    const picked = await pickText('.csv,.txt,.tsv,text/csv,text/plain', maxLogBytes).catch((e: unknown) => {
      setProblem(t('nothingWasChanged2', { message: e instanceof Error ? e.message : t('notReadable') }));
      return null;
    });
    if (picked) await read(picked.name, picked.text);
  };
  const stopRecording = () => {
    const since = recordFrom ?? 0;
    const list = live.readings.filter((r) => r.at >= since && r.tempC !== null);
    setRecordFrom(null);
    controlPlate({ heating: false, deviceOn: false });
    if (list.length < 2) return setProblem(t('theInstrumentSentNoReadingWhile'));
    setFrom({
      name: t('liveInstrument'),
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
  return { ...so, good, log, advice, durationS, read, pick, stopRecording, at, input, before, after, keep, next };
}
export type CalibrateState = ReturnType<typeof useCalibrate>;
