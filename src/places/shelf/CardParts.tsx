import { useDeferredValue, useMemo, type ReactNode } from 'react';
import { View } from 'react-native';

import { FirstLook } from '@/bench-kit/FirstLook';
import { ThermalWait } from '@/bench-kit/ThermalWait';
import { useThermal, type Thermal } from '@/bench-kit/useThermal';
import { jointOf } from '@/core/device/jointKinds';
import { heatModelled } from '@/core/device/thermalStack';
import type { Device } from '@/core/device/types';
import type { JobState } from '@/model/fold';
import { useDevices, useSettings } from '@/store/shop';
import { Txt } from '@/ui/Txt';
import { hardText } from '@/words/hardText';
import { headNames } from '@/words/headNames';
import { edgeName } from '@/words/placeNames';
import { t } from '@/words/shelf';
import { told } from '@/words/told';
import { watchedNames } from '@/words/watchedNames';
import { length, listed, percent, span, spoken, temp } from '@/words/units';
import {
  cardCures,
  cardEdges,
  cardHard,
  cardHeats,
  cardTools,
  type CardHeat,
  type Tool,
} from '@/work/devices/benchCard';
import type { ModelHistory } from '@/work/devices/modelHistory';
import { learnedLines, nameIn } from './LearnedOfModel';

const tools = {
  eyeCover: 'toolEyeCover',
  gloves: 'toolGloves',
  heater: 'toolHeater',
  picks: 'toolPicks',
  longBlade: 'toolLongBlade',
  scraper: 'toolScraper',
  alcohol: 'toolAlcohol',
  wipes: 'toolWipes',
  ringOrTape: 'toolRingOrTape',
  glueAndWeights: 'toolGlueAndWeights',
  trayPin: 'toolTrayPin',
  suction: 'toolSuction',
  hardPick: 'toolHardPick',
} as const satisfies Record<Tool, string>;

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <View className="mb-3" style={{ breakInside: 'avoid' } as object}>
      <Txt strong level={2}>
        {title}
      </Txt>
      {children}
    </View>
  );
}

/** How hard it is, who may, how long; and what to lay out for it. */
export function Hard({ job, history }: { job: JobState; history: ModelHistory }) {
  const settings = useSettings();
  const own = useMemo(() => cardHard(job), [job]);
  const kit = useMemo(() => cardTools(job.device, job.bond), [job]);
  return (
    <>
      <Part title={t('howHardItIs')}>
        <Txt>
          {t('handsMinutes', { minutes: t('minutesOf', { n: Math.round(history.handsMin ?? own.handsMin) }) })}{' '}
          {own.experienced ? t('forExperienced') : t('anybodyMay')}
        </Txt>
        {own.reasons.map((r) => (
          <Txt key={r.why} size="s">
            {hardText(r, settings)}.
          </Txt>
        ))}
      </Part>
      <Part title={t('layOutFirst')}>
        <View role="list" aria-label={t('layOutFirst')} className="flex-row flex-wrap gap-1">
          {[
            ...kit.tools.map((x) => t(tools[x])),
            ...kit.drivers.map((h) => t('driverFor', { head: headNames[h] })),
          ].map((name) => (
            <View key={name} role="listitem" className="border border-ink2 rounded-card px-2 py-1">
              <Txt size="s">{name}</Txt>
            </View>
          ))}
        </View>
      </Part>
    </>
  );
}

/** Edges in the order in which they are cut, with how deep a pick goes. */
export function Edges({ job }: { job: JobState }) {
  const settings = useSettings();
  const { bond } = job;
  const { pickMm, edges } = useMemo(() => cardEdges(job, settings), [job, settings]);
  return (
    <Part title={t('edgesInOrder')}>
      {jointOf(bond).glued ? <Txt size="s">{t('pickOf', { pick: length(pickMm, settings) })}</Txt> : null}
      {edges.map((e) => (
        <View key={e.edge}>
          <Txt>
            {e.limitMm >= 30
              ? t('edgeRowFree', { n: e.n, edge: edgeName(e.edge), need: length(e.needMm, settings) })
              : t('edgeRow', {
                  n: e.n,
                  edge: edgeName(e.edge),
                  need: length(e.needMm, settings),
                  limit: length(e.limitMm, settings),
                })}
          </Txt>
          {e.limitedBy || e.closed.length ? (
            <Txt size="s" tone="ink2">
              {listed([
                ...(e.limitedBy ? [t('behindIt', { name: told(e.limitedBy.name) })] : []),
                ...(e.closed.length
                  ? [t('notAt', { list: listed([...new Set(e.closed.map((c) => told(c.by.name)))]) })]
                  : []),
              ])}
            </Txt>
          ) : null}
        </View>
      ))}
    </Part>
  );
}

/** When what closes it has cured, in this air. */
export function Cures({ job, roomC, rh }: { job: JobState; roomC: number; rh: number }) {
  const settings = useSettings();
  const { bond } = job;
  const cures = useMemo(() => cardCures(bond, settings, roomC, rh), [bond, settings, roomC, rh]);
  if (!cures.length) return null;
  return (
    <Part title={t('closingIt')}>
      <Txt size="s" tone="ink2">
        {t('airOf', { tC: temp(roomC, settings), rh: percent(rh / 100) })}
      </Txt>
      {cures.map((c) => (
        <View key={c.name ?? 'tape'} className="mb-1">
          <Txt strong size="s">
            {c.name === null ? t('tapeOrRing') : told(c.name)}
          </Txt>
          <Txt size="s">
            {t('cureRow', {
              clampOff: span(c.marks.clampOff.mean),
              handOver: span(c.marks.handOver.mean),
              full: span(c.marks.full.high),
            })}
          </Txt>
        </View>
      ))}
    </Part>
  );
}

/** Lines of what the shop has learned that a card has room for. */
const learnedMost = 8;

/** What hurts, and what went before. */
export function Care({ device, history }: { device: Device; history: ModelHistory }) {
  const settings = useSettings();
  const devices = useDevices();
  const learned = learnedLines(
    history,
    settings,
    nameIn(
      device,
      devices.map((d) => d.device),
    ),
  );
  return (
    <>
      <Part title={t('cautionsOfIt')}>
        <Txt size="s">{t('cautionCell')}</Txt>
        <Txt size="s">
          {t('cautionSplinters')} {t('cautionWater')}
        </Txt>
      </Part>
      {learned.length ? (
        <Part title={t('whatTheShopHasLearned')}>
          {learned.slice(0, learnedMost).map((l, i) => (
            <Txt key={i} size="s">
              {l}
            </Txt>
          ))}
        </Part>
      ) : null}
    </>
  );
}

/** Each heater of the shop, as soon as the heat model is there. */
function Modelled({ job, roomC }: { job: JobState; roomC: number }) {
  const thermal = useThermal(job.device, job.bond);
  return thermal.model ? <HeatRows job={job} roomC={roomC} thermal={thermal} /> : <ThermalWait thermal={thermal} />;
}

/** How it is heated. */
export function Heats({ job, roomC }: { job: JobState; roomC: number }) {
  return (
    <Part title={t('heatOnIt')}>
      {heatModelled(job.device, job.bond) ? (
        <Modelled job={job} roomC={roomC} />
      ) : (
        <Txt>{jointOf(job.bond).glued ? t('lensWarmed') : t('noHeatForIt')}</Txt>
      )}
    </Part>
  );
}

function HeatRows({ job, roomC, thermal }: { job: JobState; roomC: number; thermal: Thermal }) {
  const settings = useSettings();
  // the finger on the slider goes before the sums
  const room = useDeferredValue(roomC);
  const rows = useMemo(() => cardHeats(job, settings, thermal.model!, room), [job, settings, thermal.model, room]);
  return (
    <View testID="heats">
      <FirstLook thermal={thermal} />
      {rows.map((r) => (
        <View key={r.heater.id} className="mb-1">
          <Txt strong size="s">
            {t('heatRow', { name: told(r.heater.name), setC: temp(r.setC, settings) })}
          </Txt>
          <Txt size="s">{heatLine(r)}</Txt>
        </View>
      ))}
    </View>
  );
}

function heatLine(r: CardHeat): string {
  if (r.over.length) return t('tooHotBefore', { list: listed(r.over.map((x) => watchedNames[x])) });
  if (!r.readyS) return r.tryFromS ? t('worksOnly', { tryFrom: spoken(r.tryFromS.mean) }) : t('doesNotOpenIt');
  const at = { ready: spoken(r.readyS.mean), latest: spoken(r.readyS.high) };
  return r.tryFromS ? t('easyAfter', { ...at, tryFrom: spoken(r.tryFromS.mean) }) : t('easyAfterOnly', at);
}
