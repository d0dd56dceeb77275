import type en from '../en/alcohol';
import type { Same } from '../same';

export default {
  alcoholIntoThe: 'Alcohol en {{edge}}',
  alcoholOnAWipe: 'Alcohol en una toallita',
  ml: '{{edge}}: {{edgeMm}}, {{figure}} ml',
  mlOnAWipe: '{{figure}} ml en una toallita',
  noAlcoholYet: 'Aún sin alcohol: {{short}}.',
  mlAlongTheNoMore: '{{figure}} ml por {{edge}}, no más.',
  mlOnTheWipeNearlyDry: '{{figure}} ml en la toallita, casi seca.',
  itFillsTheRingInFlooded:
    'Llena el anillo en {{timeS}}. De más, entraría {{depthMm}} en diez segundos, hasta la cámara y el interior.',
  dryOnlyNearCamerasADroplet: 'Cerca de cámaras, solo en seco: una gota en una lente deja velo.',
  ofTheFlammableLimitIfIt:
    'del límite inflamable si todo queda en el banco, con la última media hora; el aire quieto admite {{value}}, o sea {{figure}} ml',
  ppm: '{{uses}} ppm',
  inTheRoomSoonLimitFor: 'pronto en la sala; límite {{value}} durante 15 min',
  usedTodayOnAllJobsWith: 'usado hoy en todos los trabajos; con esto {{dayPpm}} ppm en 8 h, límite {{value}}',
  glueAtMostBelow: 'pegamento, como mucho; por debajo de {{value}}',
  aPlateOrMatIsOn:
    'Hay una placa o manta encendida para {{list}}: no lo prende, pero suelta el vapor. Mantenlo fuera de su alcance.',
  extractionOnOrWindowOpen: 'Extracción en marcha o ventana abierta',
  camerasMasked: 'Cámaras tapadas',
  nearestCameraFromThisEdgeNeeded:
    'cámara más cercana a {{cameraMm}} de este borde; hace falta máscara por debajo de {{value}}',
  noCameraNear: 'ninguna cámara cerca',
  alcohol: 'Alcohol',
  intoTheGap: 'en el hueco',
  onAWipe: 'en una toallita',
  edge: 'Borde',
  dose: 'Dosis',
  ofEdgeOfRingOfGap:
    '{{edgeMm}} de borde × {{ringMm}} de anillo × {{gapMm}} de hueco admiten {{figure}} ml. Tras {{soakS}} quita {{debond}} de la tenacidad del pegamento (criterio). Se seca en el hueco cerrado en unos {{dried}}; antes, nada de aire caliente.',
  wetUntilFromNowNoGun:
    'Mojado hasta las {{wet}}, {{wet2}} desde ahora. Antes, ni pistola ni secador en ningún trabajo del banco; placa o manta solo con aire en movimiento.',
  lookedAtItIsDry: 'Mirado: está seco',
  flammableFromAtTheBenchIts:
    'Inflamable desde {{value}}: en el banco su vapor cuenta siempre como inflamable. Guantes, gafas. Toallitas a residuos de disolvente, tapa cerrada. Mandan la ficha del fabricante y las normas locales.',
  itSoaksInAtOnceSo: 'Entra al instante, así que limita la dosis: borde por anillo por hueco, no más.',
  airAWellMixedRoomWith:
    'Aire: una sala bien mezclada con sus renovaciones y, como peor caso, una caja alrededor del banco de la que nada sale. Sala y renovaciones se fijan en Taller.',
  rule: 'Regla',
  afterHotAir: 'Tras aire caliente',
  glueBelow: 'Pegamento por debajo de',
  maskACameraWithin: 'Tapa una cámara a menos de',
  lowerFlammableLimit: 'Límite inferior de inflamabilidad',
  shareOfItAllowedNearby: 'Parte permitida cerca',
  limitOver8H: 'Límite en 8 h',
  flashPoint: 'Punto de inflamación',
  viscosity: 'Viscosidad',
  mpaS: 'mPa s',
  room: 'Sala',
  wipe: 'Toallita',
  countsAsHotAfterHeat: 'Cuenta como caliente tras el calor',
  itIsInTheGap: 'Está en el hueco',
  wipeIsMoist: 'Toallita húmeda',
  back: 'Atrás',
  noFlameNoSparkNoRunning:
    'Sin llama, sin chispa, sin pistola ni secador en marcha al alcance. Un elemento sigue caliente más de un minuto.',
  aFigureIsMissing: 'falta una cifra',
  doseRoomOrTemperatureIsNot: 'Dosis, sala o temperatura no es un número: corrígelo antes.',
  itIsOnTheHeat: 'está al calor',
  offFirstOutOfItsReach: 'Primero fuera de {{heatOn}}, lejos de su alcance.',
  tooNear: '{{list}} muy cerca',
  itRunsOrItsElementStill: 'Está en marcha o su elemento aún brilla: al menos {{value}} tras apagarlo.',
  over: 'más de {{limit}}',
  itMayBeAtAlcoholBoils: 'Puede estar a {{faceC}}: el alcohol hierve al momento y su vapor se extiende.',
  anOpenCameraIsNear: 'hay una cámara abierta cerca',
  fromThisEdgeMaskItOr: 'A {{cameraMm}} de este borde: tápala o deja este borde seco.',
  tooMuchAtOnce: 'demasiado de una vez',
  withMlOfTheLastHalf:
    'Con {{figure}} ml de la última media hora. El aire quieto admite {{figure2}} ml, en movimiento más: abre una ventana o espera.',
  underASecond: 'menos de un segundo',
  under1: 'menos de 1',
  theHeat: 'el calor',
  moreNoModelSaysHowFar: 'más: ningún modelo dice cuánto se ha enfriado',
} satisfies Same<typeof en>;
