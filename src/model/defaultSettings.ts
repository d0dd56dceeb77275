import './zodConfig';
import { defaultPlate } from '../core/heat/heater';
import { defaultRoom } from '../core/alcohol/vapour';
import { uGapMm } from '../core/fit/dryFit';
import { uStepMm } from '../core/fit/flushness';
import { breakLimit } from '../core/lift/verdict';
import {
  defaultTape,
  defaultLiquids,
  defaultWeights,
  defaultShelves,
  defaultHours,
  defaultNight,
  defaultHeaters,
  type Settings,
} from './settings';
import { defaultMoney } from './settingsParts';

export const defaultSettings: Settings = {
  version: 1,
  figures: {},
  temperature: 'C',
  length: 'mm',
  theme: 'system',
  sound: true,
  newCell: false,
  spoken: false,
  person: 'Bench',
  people: ['Bench'],
  roomC: 22,
  plate: defaultPlate,
  heaters: defaultHeaters,
  breakLimit: breakLimit.value,
  tapes: [defaultTape],
  liquids: defaultLiquids,
  weights: defaultWeights,
  bagKPa: 0,
  shelves: defaultShelves,
  humidity: 50,
  night: defaultNight,
  schools: {},
  delayCostPerH: 0,
  cureSeen: [],
  ringsInStock: {},
  clips: [
    { id: 'gentle', name: 'gentle clip', forceN: 6, owned: 24 },
    { id: 'strong', name: 'strong clip', forceN: 15, owned: 16 },
  ],
  ratePerH: 30,
  reworkCost: 40,
  money: defaultMoney,
  air: defaultRoom,
  seen: [],
  leakLimit: null,
  hours: defaultHours,
  rota: {},
  absences: [],
  testers: 0,
  gaugeU: { stepMm: uStepMm.value, gapMm: uGapMm.value },
  draught: false,
  cureBy: 'usual',
  apart: [],
  openBeforePart: false,
  parts: [],
  stockMoves: [],
  stockShare: 0.95,
  lead: { days: 4, sdDays: 1 },
  benchAddress: '',
};
