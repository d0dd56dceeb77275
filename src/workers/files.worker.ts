import { expose } from 'comlink';

import { readPressureLog, type PressureLog } from '@/model/pressureLog';
import type { Settings } from '@/model/settings';
import { readStockCsv } from '@/model/stockCsv';
import { readThermoLog, type ThermoLog, type ThermoChoice } from '@/model/thermoLog';

type OnShare = (share: number) => void;

const api = {
  thermo: (text: string, choose: ThermoChoice, onShare: OnShare): ThermoLog => readThermoLog(text, choose, onShare),
  pressure: (text: string, onShare: OnShare): PressureLog => readPressureLog(text, onShare),
  stock: (
    text: string,
    s: Settings,
    now: number,
    taken: ReadonlyMap<string, number>,
    onShare: OnShare,
  ): ReturnType<typeof readStockCsv> => readStockCsv(text, s, now, taken, onShare),
};

export type FilesApi = typeof api;

expose(api);
