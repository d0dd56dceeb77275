import type en from '../en/adhesives';
import type { Same } from '../same';

export default {
  adhesives: 'Pegamentos',
  howToughEachGlueIsAnd: 'lo fuerte que es cada pegamento y lo que este taller ha visto',
  needsAt1MmS: 'Pide {{list}}, a 1 mm/s.',
  gaveWayAtAndAboutTaken: '{{at}}, {{job}}: cedió con {{liftMm}} y unos {{tC}}, fuera',
  gaveWayAtAndAbout: '{{at}}, {{job}}: cedió con {{liftMm}} y unos {{tC}}',
  didNotGiveAtAndAbout: '{{at}}, {{job}}: no cedió con {{liftMm}} y unos {{tC}}, fuera',
  didNotGiveAtAndAbout2: '{{at}}, {{job}}: no cedió con {{liftMm}} y unos {{tC}}',
  putBack: 'Devolver',
  takeOut: 'Sacar',
  nothingSeenYetItIsNoted: 'Aún nada visto. Se anota en Levantar, en «Cedió o no cedió».',
  scaleInThisShop: 'Escala en este taller',
  firstBeliefStandardDeviationOfIts: 'Creencia inicial, desviación típica de su logaritmo',
  rateFreeEnergy: 'Energía sin velocidad',
  viscoelasticPartAt23C1: 'Parte viscoelástica a 23 °C, 1 mm/s',
  glassTransition: 'Transición vítrea',
  exponentOfSpeed: 'Exponente de la velocidad',
  meltsAt: 'Funde a',
  stiffnessOfTheGlue: 'Rigidez del pegamento',
  overheatedFrom: 'Sobrecalentado desde',
  jMAt: '{{d}} J/m² a {{t}}',
} satisfies Same<typeof en>;
