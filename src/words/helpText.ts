import { t } from './help';

/** What is said of a page to who asks how it works, in the order in which one needs it. */
export const helpTopics = {
  bench: () => ({ title: t('benchTitle'), lines: [t('bench1'), t('bench2'), t('bench3'), t('bench4'), t('bench5')] }),
  jobs: () => ({ title: t('jobsTitle'), lines: [t('jobs1'), t('jobs2'), t('jobs3'), t('jobs4')] }),
  models: () => ({ title: t('modelsTitle'), lines: [t('models1'), t('models2'), t('models3'), t('models4')] }),
  shop: () => ({ title: t('shopTitle'), lines: [t('shop1'), t('shop2'), t('shop3'), t('shop4')] }),
  devices: () => ({
    title: t('devicesTitle'),
    lines: [t('devices1'), t('devices2'), t('devices3'), t('devices4'), t('devices5')],
  }),
  stock: () => ({ title: t('stockTitle'), lines: [t('stock1'), t('stock2'), t('stock3')] }),
  records: () => ({ title: t('recordsTitle'), lines: [t('records1'), t('records2'), t('records3')] }),
  practice: () => ({
    title: t('practiceTitle'),
    lines: [t('practice1'), t('practice2'), t('practice3'), t('practice4')],
  }),
  intake: () => ({ title: t('intakeTitle'), lines: [t('intake1'), t('intake2'), t('intake3'), t('intake4')] }),
  heat: () => ({ title: t('heatTitle'), lines: [t('heat1'), t('heat2'), t('heat3'), t('heat4'), t('heat5')] }),
  lift: () => ({ title: t('liftTitle'), lines: [t('lift1'), t('lift2'), t('lift3'), t('lift4')] }),
  strip: () => ({ title: t('stripTitle'), lines: [t('strip1'), t('strip2'), t('strip3')] }),
  clean: () => ({ title: t('cleanTitle'), lines: [t('clean1'), t('clean2'), t('clean3')] }),
  dryFit: () => ({ title: t('dryFitTitle'), lines: [t('dryFit1'), t('dryFit2')] }),
  bond: () => ({ title: t('bondTitle'), lines: [t('bond1'), t('bond2'), t('bond3')] }),
  cure: () => ({ title: t('cureTitle'), lines: [t('cure1'), t('cure2'), t('cure3')] }),
  check: () => ({ title: t('checkTitle'), lines: [t('check1'), t('check2'), t('check3')] }),
  handover: () => ({ title: t('handoverTitle'), lines: [t('handover1'), t('handover2'), t('handover3')] }),
} as const satisfies Record<string, () => { title: string; lines: string[] }>;

export type HelpTopic = keyof typeof helpTopics;

export const helpTopicIds = Object.keys(helpTopics) as HelpTopic[];
