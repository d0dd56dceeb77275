import { proxy, type Remote } from 'comlink';

import { readFile, type ReadFile } from '@/model/files';
import type { Parsed } from '@/model/event';
import { readPressureLog, type PressureLog } from '@/model/pressureLog';
import type { Settings } from '@/model/settings';
import { readStockCsv } from '@/model/stockCsv';
import { readThermoLog, type ThermoChoice, type ThermoLog } from '@/model/thermoLog';
import type { FilesApi } from './files.worker';
import { longRunOn, type LongRun } from './longRun';
import { startFiles } from './startFiles';

/** Texts up to this long are read at once: a worker would take longer to start, characters. */
export const atOnceChars = 100_000;

type OnShare = (share: number) => void;

function readOf<T>(text: string, here: () => T, there: (api: Remote<FilesApi>) => Promise<T>): LongRun<T> {
  if (text.length > atOnceChars && typeof Worker !== 'undefined') return longRunOn<FilesApi, T>(startFiles, there);
  return { result: new Promise((done) => done(here())), cancel: () => {} };
}

export const fileOf = (text: string, onShare: OnShare): LongRun<Parsed<ReadFile>> =>
  readOf(
    text,
    () => readFile(text),
    (api) => api.shop(text, proxy(onShare)),
  );

export const thermoLogOf = (text: string, choose: ThermoChoice, onShare: OnShare): LongRun<ThermoLog> =>
  readOf(
    text,
    () => readThermoLog(text, choose),
    (api) => api.thermo(text, choose, proxy(onShare)),
  );

export const pressureLogOf = (text: string, onShare: OnShare): LongRun<PressureLog> =>
  readOf(
    text,
    () => readPressureLog(text),
    (api) => api.pressure(text, proxy(onShare)),
  );

export const stockOf = (
  text: string,
  s: Settings,
  now: number,
  taken: ReadonlyMap<string, number>,
  onShare: OnShare,
): LongRun<ReturnType<typeof readStockCsv>> =>
  readOf(
    text,
    () => readStockCsv(text, s, now, taken),
    (api) => api.stock(text, s, now, taken, proxy(onShare)),
  );
