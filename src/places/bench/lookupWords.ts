import type { Href } from 'expo-router';

import type { Settings } from '@/model/settings';
import { workDefs, works } from '@/core/intake/works';
import { t } from '@/words/bench';
import { originNames, workNames } from '@/words/eventLine';
import { stageName } from '@/words/stageWords';
import { told } from '@/words/told';
import { day, span, temp } from '@/words/units';
import type { Thing } from '@/work/lookup/things';

/** A thing as it is listed: its name, its answer, where it leads. */
export interface Listed {
  key: string;
  title: string;
  line: string;
  to: Href | null;
}

const partTitle = (p: Extract<Thing, { kind: 'part' }>['part'], nameOf: (id: string) => string): string => {
  const work = works.find((w) => workDefs[w].item === p.item);
  const origin = originNames[p.origin as keyof typeof originNames] ?? p.origin;
  return `${nameOf(p.deviceId)}, ${work ? workNames[work] : p.item}, ${origin}`;
};

export function listedThing(x: Thing, settings: Settings, nameOf: (deviceId: string) => string): Listed {
  switch (x.kind) {
    case 'model':
      return {
        key: `model ${x.device.id}`,
        title: t('foundModel', { name: x.device.name }),
        line: x.last
          ? t('foundModelDone', { count: x.jobs, at: day(x.last.at), label: x.last.label })
          : t('foundModelNew'),
        to: `/shelf/${x.device.id}` as Href,
      };
    case 'card':
      return {
        key: `card ${x.device.id}`,
        title: t('foundCard', { name: x.device.name }),
        line: t('foundCardLine'),
        to: `/shelf/${x.device.id}/card` as Href,
      };
    case 'job':
      return {
        key: `job ${x.job.id}`,
        title: [x.job.label, x.job.customerMark].filter(Boolean).join(' · '),
        line:
          x.job.closedAt === null
            ? t('foundJobLine', { model: x.job.device.name, stage: stageName(x.job.stage) })
            : t('foundJobClosed', { model: x.job.device.name, at: day(x.job.closedAt) }),
        to: (x.job.closedAt === null ? `/jobs/${x.job.id}` : `/jobs/${x.job.id}/record`) as Href,
      };
    case 'heater':
      return {
        key: `heater ${x.heater.id}`,
        title: t('foundHeater', { name: told(x.heater.name) }),
        line: t('foundHeaterLine', { setC: temp(x.usualC, settings) }),
        to: `/heaters/${x.heater.id}` as Href,
      };
    case 'glue':
      return {
        key: `glue ${x.id}`,
        title: t('foundGlue', { name: told(x.name) }),
        line: x.seen ? t('foundGlueLine', { count: x.seen }) : t('foundGlueNever'),
        to: '/adhesives',
      };
    case 'cure':
      return {
        key: `cure ${x.name ?? ''}`,
        title: t('foundCure', {
          name: x.name === null ? t('foundTape') : told(x.name),
          tC: temp(x.tC, settings),
        }),
        line: t('foundCureLine', {
          clampOff: span(x.marks.clampOff.mean),
          handOver: span(x.marks.handOver.mean),
          full: span(x.marks.full.high),
        }),
        to: null,
      };
    case 'battery':
      return {
        key: 'battery',
        title: t('foundBattery'),
        line: t('foundBatteryLine', { caution: temp(x.cautionC, settings), stop: temp(x.stopC, settings) }),
        to: null,
      };
    case 'part':
      return {
        key: `part ${x.part.id}`,
        title: t('foundPart', { name: partTitle(x.part, nameOf) }),
        line: t('foundPartLine', { qty: x.qty, ordered: x.ordered }),
        to: '/stock',
      };
    case 'stage':
      return {
        key: `stage ${x.stage}`,
        title: t('foundStage', { name: stageName(x.stage) }),
        line: t('foundStageLine', { count: x.jobs }),
        to: '/jobs',
      };
  }
}

/** Words that a thing is found by: its own, and how it is asked for. */
export const wordsOf = (x: Thing, l: Listed): string =>
  [
    l.title,
    x.kind === 'cure'
      ? t('askCure')
      : x.kind === 'battery'
        ? t('askBattery')
        : x.kind === 'job'
          ? x.job.device.name
          : '',
  ].join(' ');
