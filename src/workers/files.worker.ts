import './ownFigures';

import { expose } from 'comlink';

import { readFile, type ReadFile } from '@/model/files';
import type { Parsed } from '@/model/event';
import { readPressureLog, type PressureLog } from '@/model/pressureLog';
import type { Settings } from '@/model/settings';
import { readStockCsv } from '@/model/stockCsv';
import { readThermoLog, type ThermoLog, type ThermoChoice } from '@/model/thermoLog';
import { paced } from './paced';

type OnShare = (share: number) => void;

const api = {
  shop: (text: string, onShare: OnShare): Parsed<ReadFile> => readFile(text, paced(onShare)),
  thermo: (text: string, choose: ThermoChoice, onShare: OnShare): ThermoLog =>
    readThermoLog(text, choose, paced(onShare)),
  pressure: (text: string, onShare: OnShare): PressureLog => readPressureLog(text, paced(onShare)),
  stock: (
    text: string,
    s: Settings,
    now: number,
    taken: ReadonlyMap<string, number>,
    onShare: OnShare,
  ): ReturnType<typeof readStockCsv> => readStockCsv(text, s, now, taken, paced(onShare)),
};

export type FilesApi = typeof api;

expose(api);
