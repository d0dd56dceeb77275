/** A function that is tested: how long it takes, and whether before closing (`open`) or after. Its words: `words/functions.ts`. */
export interface FunctionTest {
  id: string;
  minutes: number;
  stage: 'open' | 'closed';
}

/** Expert figures, judgement: to be learned again from the shop's own records. */
export const functionTests: readonly FunctionTest[] = [
  { id: 'touch', minutes: 0.7, stage: 'open' },
  { id: 'display', minutes: 0.5, stage: 'open' },
  { id: 'bright', minutes: 0.4, stage: 'open' },
  { id: 'earpiece', minutes: 0.4, stage: 'open' },
  { id: 'speaker', minutes: 0.4, stage: 'open' },
  { id: 'micMain', minutes: 0.5, stage: 'open' },
  { id: 'micRear', minutes: 0.5, stage: 'open' },
  { id: 'camMain', minutes: 1.0, stage: 'open' },
  { id: 'camAux', minutes: 0.8, stage: 'open' },
  { id: 'ois', minutes: 0.4, stage: 'open' },
  { id: 'flash', minutes: 0.3, stage: 'open' },
  { id: 'camFront', minutes: 0.3, stage: 'open' },
  { id: 'faceReader', minutes: 0.5, stage: 'open' },
  { id: 'finger', minutes: 0.5, stage: 'open' },
  { id: 'prox', minutes: 0.3, stage: 'open' },
  { id: 'motion', minutes: 0.5, stage: 'open' },
  { id: 'baro', minutes: 0.4, stage: 'open' },
  { id: 'vibra', minutes: 0.2, stage: 'open' },
  { id: 'buttons', minutes: 0.4, stage: 'open' },
  { id: 'chargeW', minutes: 1.0, stage: 'open' },
  { id: 'chargeQ', minutes: 1.5, stage: 'open' },
  { id: 'nfc', minutes: 0.4, stage: 'open' },
  { id: 'sim', minutes: 1.2, stage: 'open' },
  { id: 'cell', minutes: 0.6, stage: 'closed' },
  { id: 'wifiBt', minutes: 0.8, stage: 'closed' },
  { id: 'gps', minutes: 1.5, stage: 'closed' },
  { id: 'power', minutes: 2.0, stage: 'open' },
];

export interface Cause {
  id: string;
  /** chance that a function fails when the cause is present */
  fails: Readonly<Record<string, number>>;
}

/** Causes of failures; judgement. */
export const causes: readonly Cause[] = [
  { id: 'coilFlex', fails: { chargeQ: 0.95, nfc: 0.75, flash: 0.1 } },
  { id: 'coilCut', fails: { chargeQ: 0.98, nfc: 0.45 } },
  { id: 'rearFlex', fails: { flash: 0.93, micRear: 0.85, buttons: 0.1 } },
  { id: 'camConn', fails: { camMain: 0.97, ois: 0.85, flash: 0.03 } },
  { id: 'camAuxConn', fails: { camAux: 0.97 } },
  { id: 'camSolvent', fails: { camMain: 0.7, camAux: 0.55, ois: 0.02 } },
  { id: 'camHeat', fails: { camMain: 0.85, camAux: 0.3, ois: 0.6 } },
  { id: 'battConn', fails: { power: 0.95, chargeW: 0.6, chargeQ: 0.55 } },
  { id: 'dockFlex', fails: { chargeW: 0.93, micMain: 0.8, speaker: 0.35, cell: 0.25 } },
  { id: 'spkContact', fails: { speaker: 0.94 } },
  { id: 'vibContact', fails: { vibra: 0.95 } },
  { id: 'frontFlex', fails: { earpiece: 0.85, prox: 0.85, camFront: 0.6, faceReader: 0.9, bright: 0.35 } },
  { id: 'dispConn', fails: { touch: 0.8, display: 0.85, bright: 0.5 } },
  { id: 'dispHeat', fails: { display: 0.9, touch: 0.35 } },
  { id: 'sideFlex', fails: { buttons: 0.92, finger: 0.35 } },
  { id: 'fingerFlex', fails: { finger: 0.96 } },
  { id: 'antenna', fails: { cell: 0.75, wifiBt: 0.7, gps: 0.65, nfc: 0.1 } },
  { id: 'micGlue', fails: { micRear: 0.75, micMain: 0.25, baro: 0.5 } },
  { id: 'boardCell', fails: { sim: 0.85, cell: 0.6 } },
  { id: 'sensorHeat', fails: { motion: 0.8, baro: 0.5 } },
];

/** Chance per job that a step of the work sets a cause; judgement. */
export const stepCauses: Readonly<Record<string, Readonly<Record<string, number>>>> = {
  heatPlate: { dispHeat: 0.004, camHeat: 0.002, sensorHeat: 0.002 },
  hotAir: { camHeat: 0.006, camSolvent: 0.003, dispHeat: 0.006, sensorHeat: 0.002, coilCut: 0.002 },
  solventWick: { camSolvent: 0.015, micGlue: 0.002 },
  bladePass: { coilCut: 0.012, rearFlex: 0.006, camHeat: 0.003, sideFlex: 0.003, antenna: 0.004 },
  liftWithFlex: { coilFlex: 0.01, rearFlex: 0.012, fingerFlex: 0.01 },
  battDisconnect: { battConn: 0.006 },
  coilRemove: { coilFlex: 0.03, rearFlex: 0.015, antenna: 0.008 },
  cameraRemove: { camConn: 0.02, camAuxConn: 0.02, camSolvent: 0.03 },
  lensCoverSwap: { camSolvent: 0.02, camHeat: 0.004 },
  housingSwap: {
    camConn: 0.02,
    camAuxConn: 0.02,
    coilFlex: 0.025,
    rearFlex: 0.025,
    dockFlex: 0.03,
    spkContact: 0.02,
    vibContact: 0.02,
    frontFlex: 0.025,
    dispConn: 0.02,
    sideFlex: 0.035,
    fingerFlex: 0.015,
    antenna: 0.03,
    battConn: 0.01,
    boardCell: 0.008,
    micGlue: 0.005,
  },
  displaySwap: { dispConn: 0.03, frontFlex: 0.025 },
  residueScrape: { coilCut: 0.004, rearFlex: 0.004, antenna: 0.004, micGlue: 0.003 },
  adhesiveBead: { micGlue: 0.012, camSolvent: 0.004 },
  clamp: { dispHeat: 0.002, sideFlex: 0.002, coilFlex: 0.003 },
};

/** Where a test can hurt somebody; common practice. */
export const testCautions: Readonly<Record<string, 'charging' | 'eyes' | 'ear'>> = {
  chargeW: 'charging',
  chargeQ: 'charging',
  power: 'charging',
  flash: 'eyes',
  earpiece: 'ear',
};

/** Chance that a test of a function fails for no cause of this repair; judgement. */
export const leakOf: Readonly<Record<string, number>> = {
  flash: 0.003,
  camFront: 0.004,
  faceReader: 0.008,
  finger: 0.01,
  motion: 0.004,
  baro: 0.006,
  vibra: 0.003,
  buttons: 0.004,
  chargeW: 0.006,
  chargeQ: 0.008,
  nfc: 0.006,
  sim: 0.006,
  cell: 0.02,
  wifiBt: 0.012,
  gps: 0.02,
  power: 0.004,
};
/** For the functions that are not listed. */
export const usualLeak = 0.005;

/** What the diagnosis is made from: the shipped figures, or those that a shop's own jobs have moved. */
export interface FaultTables {
  causes: readonly Cause[];
  steps: Readonly<Record<string, Readonly<Record<string, number>>>>;
}
export const shippedTables: FaultTables = { causes, steps: stepCauses };
