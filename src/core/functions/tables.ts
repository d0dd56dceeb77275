/** How a function is tested, how long it takes, and whether before closing (`open`) or after. */
export interface FunctionTest {
  id: string;
  name: string;
  how: string;
  minutes: number;
  stage: 'open' | 'closed';
}

/** Expert figures, judgement: to be learned again from the shop's own records. */
export const functionTests: readonly FunctionTest[] = [
  {
    id: 'touch',
    name: 'touch, whole screen',
    how: 'drag through a 6 x 12 grid plus four corner cells; every cell must fire',
    minutes: 0.7,
    stage: 'open',
  },
  {
    id: 'display',
    name: 'display picture',
    how: 'white, black, red, green, blue full screens: lines, spots, yellow patches',
    minutes: 0.5,
    stage: 'open',
  },
  { id: 'bright', name: 'brightness', how: 'slide both ends; cover the light sensor', minutes: 0.4, stage: 'open' },
  {
    id: 'earpiece',
    name: 'earpiece',
    how: 'sweep 300-3000 Hz at ear level, compare loudness with before',
    minutes: 0.4,
    stage: 'open',
  },
  {
    id: 'speaker',
    name: 'loudspeaker',
    how: 'sweep 200-8000 Hz at two levels: rattle, level',
    minutes: 0.4,
    stage: 'open',
  },
  {
    id: 'micMain',
    name: 'main microphone',
    how: 'record 5 s of speech, play back, level against before',
    minutes: 0.5,
    stage: 'open',
  },
  {
    id: 'micRear',
    name: 'rear microphone',
    how: 'record a video clip with speech from behind',
    minutes: 0.5,
    stage: 'open',
  },
  {
    id: 'camMain',
    name: 'main rear camera',
    how: 'near text 10 cm, far edge; slanted-edge MTF50 before/after',
    minutes: 1.0,
    stage: 'open',
  },
  { id: 'camAux', name: 'other rear cameras', how: 'switch each lens, picture and focus', minutes: 0.8, stage: 'open' },
  { id: 'ois', name: 'stabiliser noise', how: 'hand-held video, listen for buzzing', minutes: 0.4, stage: 'open' },
  { id: 'flash', name: 'flash', how: 'torch on, photo with flash', minutes: 0.3, stage: 'open' },
  { id: 'camFront', name: 'front camera', how: 'picture and focus', minutes: 0.3, stage: 'open' },
  { id: 'faceReader', name: 'face reader', how: 'unlock 3 times', minutes: 0.5, stage: 'open' },
  {
    id: 'finger',
    name: 'fingerprint reader',
    how: 'unlock 3 times with an enrolled finger',
    minutes: 0.5,
    stage: 'open',
  },
  {
    id: 'prox',
    name: 'proximity sensor',
    how: 'cover during a call; screen must go dark',
    minutes: 0.3,
    stage: 'open',
  },
  { id: 'motion', name: 'motion sensors', how: 'level reading flat, turn, compass swing', minutes: 0.5, stage: 'open' },
  {
    id: 'baro',
    name: 'barometer',
    how: 'reading within 3 hPa of a second device; lift one metre = -12 Pa',
    minutes: 0.4,
    stage: 'open',
  },
  { id: 'vibra', name: 'vibration', how: 'three pulses, compare strength', minutes: 0.2, stage: 'open' },
  {
    id: 'buttons',
    name: 'side buttons',
    how: 'each 5 presses: click felt and action seen',
    minutes: 0.4,
    stage: 'open',
  },
  {
    id: 'chargeW',
    name: 'cable charging',
    how: 'current reading within 10 % of before; both plug directions',
    minutes: 1.0,
    stage: 'open',
  },
  {
    id: 'chargeQ',
    name: 'wireless charging',
    how: 'on a pad 60 s, centred, glass laid in place',
    minutes: 1.5,
    stage: 'open',
  },
  { id: 'nfc', name: 'near-field reader', how: 'read a tag through the laid-in glass', minutes: 0.4, stage: 'open' },
  { id: 'sim', name: 'card seen, call both ways', how: 'tray detected, test call 30 s', minutes: 1.2, stage: 'open' },
  { id: 'cell', name: 'mobile signal', how: 'bars/dBm against before at the same spot', minutes: 0.6, stage: 'closed' },
  {
    id: 'wifiBt',
    name: 'wireless and short-range link',
    how: 'signal level against before at 5 m, stream sound',
    minutes: 0.8,
    stage: 'closed',
  },
  {
    id: 'gps',
    name: 'satellite position',
    how: 'fix in the open or at the window, against before',
    minutes: 1.5,
    stage: 'closed',
  },
  {
    id: 'power',
    name: 'starts, holds charge',
    how: 'battery figure steady 10 min, no warm spot',
    minutes: 2.0,
    stage: 'open',
  },
];

export interface Cause {
  id: string;
  name: string;
  /** chance that a function fails when the cause is present */
  fails: Readonly<Record<string, number>>;
  next: string;
}

/** Causes of failures and the cheapest next check; judgement. */
export const causes: readonly Cause[] = [
  {
    id: 'coilFlex',
    name: 'wireless coil / near-field flex not seated',
    fails: { chargeQ: 0.95, nfc: 0.75, flash: 0.1 },
    next: 're-seat the coil connector, test with the glass laid in place',
  },
  {
    id: 'coilCut',
    name: 'coil torn or cut by the blade',
    fails: { chargeQ: 0.98, nfc: 0.45 },
    next: 'look along the blade path for a cut turn; compare coil resistance with a good part',
  },
  {
    id: 'rearFlex',
    name: 'flash / rear microphone flex not seated or torn',
    fails: { flash: 0.93, micRear: 0.85, buttons: 0.1 },
    next: 're-seat, then look at the flex fold for a crack',
  },
  {
    id: 'camConn',
    name: 'main camera connector not seated',
    fails: { camMain: 0.97, ois: 0.85, flash: 0.03 },
    next: 're-seat the main camera',
  },
  {
    id: 'camAuxConn',
    name: 'other camera connector not seated',
    fails: { camAux: 0.97 },
    next: 're-seat the other cameras',
  },
  {
    id: 'camSolvent',
    name: 'solvent, dust or fingerprint on a lens',
    fails: { camMain: 0.7, camAux: 0.55, ois: 0.02 },
    next: 'look at the lens at a glancing angle, clean, repeat the sharpness and black-patch test',
  },
  {
    id: 'camHeat',
    name: 'camera module hurt by heat or a pick',
    fails: { camMain: 0.85, camAux: 0.3, ois: 0.6 },
    next: 'compare focus travel near/far, replace the module',
  },
  {
    id: 'battConn',
    name: 'battery connector loose',
    fails: { power: 0.95, chargeW: 0.6, chargeQ: 0.55 },
    next: 're-seat the battery connector first of all',
  },
  {
    id: 'dockFlex',
    name: 'charge-port flex not seated',
    fails: { chargeW: 0.93, micMain: 0.8, speaker: 0.35, cell: 0.25 },
    next: 're-seat the charge-port flex',
  },
  {
    id: 'spkContact',
    name: 'loudspeaker spring contact bent',
    fails: { speaker: 0.94 },
    next: 'bend the spring contact back, clean the pad',
  },
  {
    id: 'vibContact',
    name: 'vibration motor contact bent',
    fails: { vibra: 0.95 },
    next: 'bend the spring contact back',
  },
  {
    id: 'frontFlex',
    name: 'earpiece / front sensor flex not seated',
    fails: { earpiece: 0.85, prox: 0.85, camFront: 0.6, faceReader: 0.9, bright: 0.35 },
    next: 're-seat the front sensor flex',
  },
  {
    id: 'dispConn',
    name: 'display / touch connector loose',
    fails: { touch: 0.8, display: 0.85, bright: 0.5 },
    next: 're-seat the display connectors with the battery unplugged',
  },
  {
    id: 'dispHeat',
    name: 'display hurt by heat or bending',
    fails: { display: 0.9, touch: 0.35 },
    next: 'no re-seat helps: display hurt',
  },
  {
    id: 'sideFlex',
    name: 'side-button flex not seated or crushed',
    fails: { buttons: 0.92, finger: 0.35 },
    next: 're-seat; check the bracket does not press the flex',
  },
  {
    id: 'fingerFlex',
    name: 'fingerprint reader flex torn or not seated',
    fails: { finger: 0.96 },
    next: 're-seat; a torn reader flex usually cannot be mended',
  },
  {
    id: 'antenna',
    name: 'antenna spring or ground clip bent or left off',
    fails: { cell: 0.75, wifiBt: 0.7, gps: 0.65, nfc: 0.1 },
    next: 'count the springs, clips and screws against the sheet',
  },
  {
    id: 'micGlue',
    name: 'microphone or vent hole closed by glue',
    fails: { micRear: 0.75, micMain: 0.25, baro: 0.5 },
    next: 'look into the hole with a loupe, clear the glue',
  },
  {
    id: 'boardCell',
    name: 'main board socket or SIM reader hurt',
    fails: { sim: 0.85, cell: 0.6 },
    next: 're-seat tray and board plugs',
  },
  {
    id: 'sensorHeat',
    name: 'motion or pressure sensor upset',
    fails: { motion: 0.8, baro: 0.5 },
    next: 'let it cool, calibrate, test again',
  },
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

const charging =
  'Stay with it while it charges. Warmth, smell, hiss or swelling: off the charger, away from people, by the maker’s and local rules.';
/** Where a test can hurt somebody; common practice. */
export const testCautions: Readonly<Record<string, string>> = {
  chargeW: charging,
  chargeQ: charging,
  power: charging,
  flash: 'Not toward eyes.',
  earpiece: 'Begin quietly, away from the ear.',
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
