import type en from '../en/money';
import type { Same } from '../same';

export default {
  stayOf: '{{at}}: quedan {{marginMinor}}, {{share}} de {{netMinor}}.',
  nothingPaidYet: '{{at}}: aún nada cobrado, {{costMinor}} gastados.',
  tookLonger_one: '{{over}} de 1 trabajo tardó más de una décima parte de más.',
  tookLonger_other: '{{over}} de {{count}} trabajos tardaron más de una décima parte de más.',
  quoteShort: 'oferta',
  theQuotesHadCountedOnOf:
    'Los presupuestos contaban con {{quotedShare}}. {{over}} de {{n}} trabajos tardaron más de una décima parte de más.',
  marginByMonth: 'Margen por mes: {{list}}',
  months: 'Meses',
  month: 'Mes',
  net: 'neto, {{currency}}',
  cost: 'coste, {{currency}}',
  inBracketsWithoutAPriceAs:
    'Entre paréntesis: sin precio, como las vueltas. Coste: la pieza a precio de hoy, lo gastado según el registro, los minutos del registro a la tarifa de hoy, gastos fijos y una tapa nueva si se rompió una que se quería salvar.',
  nothingWasHandedOverYet: 'Aún no se ha entregado nada.',
  first: 'Primero',
  newest: 'Lo más nuevo',
  leastMargin: 'Menor margen',
  longestOver: 'Más exceso',
  noPriceCost: '{{label}} {{job}}: sin precio, coste {{costMinor}}',
  quoteAndOutcomeOf: 'Presupuesto y resultado de {{label}}',
  what: 'Qué',
  cameTo: 'resultó',
  netPrice: 'Precio neto',
  minutes: 'Minutos',
  notMeasured: '{{figure}} (sin medir)',
  cost2: 'Coste',
  stays: 'Queda',
  partUsedLabourOverheadANew:
    '{{closedAt}}. Pieza {{partMinor}}, gastado {{usedMinor}}, mano de obra {{labourMinor}}, gastos fijos {{overheadMinor}}, tapa nueva por la rota {{brokeMinor}}.',
  partUsedLabourOverhead:
    '{{closedAt}}. Pieza {{partMinor}}, gastado {{usedMinor}}, mano de obra {{labourMinor}}, gastos fijos {{overheadMinor}}.',
  recordOf: 'Registro de {{label}}',
  money: 'Dinero',
  jobsHandedOverWithAQuote_one: '{{count}} trabajo entregado, {{of}} con presupuesto',
  jobsHandedOverWithAQuote_other: '{{count}} trabajos entregados, {{of}} con presupuesto',
  moneyAsCsv: 'Dinero en CSV',
  quoteAgainstOutcome: 'Presupuesto y resultado',
  ratesAndPriceList: 'Tarifas y lista de precios',
} satisfies Same<typeof en>;
