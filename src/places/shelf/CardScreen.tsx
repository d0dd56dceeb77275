import { useLocalSearchParams, useRouter } from 'expo-router';
import { useDeferredValue, useMemo, useState, type ReactNode } from 'react';
import { useWindowDimensions, View } from 'react-native';

import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { ThermalWait } from '@/bench-kit/ThermalWait';
import { useThermal, type Thermal } from '@/bench-kit/useThermal';
import { coverKindOf } from '@/core/device/coverKinds';
import { jointOf } from '@/core/device/jointKinds';
import { heatModelled } from '@/core/device/thermalStack';
import type { Construction, Device } from '@/core/device/types';
import type { JobState } from '@/model/fold';
import { guessDevice } from '@/model/guess';
import { useDevices, useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { DeviceBody, DeviceLines } from '@/ui/plan/BaseLayer';
import { Numbers } from '@/ui/plan/layers';
import { Plan } from '@/ui/plan/Plan';
import { QrCode } from '@/ui/QrCode';
import { RangeInput } from '@/ui/RangeInput';
import { Txt } from '@/ui/Txt';
import { useWide } from '@/ui/useWide';
import { bondPerimeter } from '@/core/device/perimeter';
import { faceName } from '@/bench-kit/faceName';
import { hardText } from '@/words/hardText';
import { headNames } from '@/words/headNames';
import { edgeName } from '@/words/placeNames';
import { t } from '@/words/shelf';
import { told } from '@/words/told';
import { watchedNames } from '@/words/watchedNames';
import { digits, length, listed, percent, span, spoken, temp } from '@/words/units';
import {
  cardCures,
  cardEdges,
  cardHard,
  cardHeats,
  cardJob,
  cardTools,
  type CardHeat,
  type Tool,
} from '@/work/devices/benchCard';
import { answersOf, constructions, firstAnswers, screenInches, sizeOfScreen, withSize } from '@/work/devices/newModel';
import { learnedLines, useModelHistory } from './LearnedOfModel';
import { guessLine } from './KnownFields';

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

const holdNames = {
  ringGlass: 'holdRingGlass',
  ringPlastic: 'holdRingPlastic',
  fullGlass: 'holdFullGlass',
  clipped: 'holdClipped',
  lensInRing: 'holdLensInRing',
  frameLens: 'holdFrameLens',
} as const satisfies Record<Construction, string>;

/** The card of a model of the shelf. */
export function ModelCard({ id }: { id: string }) {
  const devices = useDevices();
  const device = devices.find((d) => d.device.id === id)?.device;
  if (!device)
    return (
      <PlaceFrame title={t('benchCard')} line={t('thereIsNoSuchPhoneModel')}>
        {null}
      </PlaceFrame>
    );
  return <Card key={id} device={device} path={`/shelf/${id}/card`} />;
}

/** The card of a device that nobody has made a model of: how it is held and how large it is are enough. */
export function SizeCard() {
  const { hold, inch } = useLocalSearchParams<{ hold?: string; inch?: string }>();
  const [construction, setConstruction] = useState<Construction>(constructions.find((c) => c === hold) ?? 'ringGlass');
  const inches: readonly number[] = [...screenInches.phone, ...screenInches.tablet];
  const [inchOf, setInch] = useState(inches.find((d) => String(d) === inch) ?? 6.1);
  const device = useMemo(
    () =>
      guessDevice(
        answersOf(
          withSize({ ...firstAnswers(), construction }, sizeOfScreen(inchOf)),
          `size${construction}${inchOf}`,
          t('cardName', { hold: t(holdNames[construction]), inch: digits(inchOf, Number.isInteger(inchOf) ? 0 : 1) }),
        )!,
      ),
    [construction, inchOf],
  );
  return (
    <Card key={device.id} device={device} path={`/shelf/card?hold=${construction}&inch=${inchOf}`}>
      <View className="no-print">
        <Choice
          label={t('howIsTheBackHeld')}
          value={construction}
          options={constructions.map((c) => ({ id: c, name: t(holdNames[c]) }))}
          onChange={setConstruction}
        />
        <Choice
          label={t('byItsScreen')}
          value={String(inchOf)}
          options={inches.map((d) => ({ id: String(d), name: `${digits(d, Number.isInteger(d) ? 0 : 1)}″` }))}
          onChange={(d) => setInch(Number(d))}
        />
      </View>
    </Card>
  );
}

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

/** Everything about opening and closing one joint of a model, on one page. */
function Card({ device, path, children }: { device: Device; path: string; children?: ReactNode }) {
  const router = useRouter();
  const settings = useSettings();
  const wide = useWide();
  const { width } = useWindowDimensions();
  const [bondId, setBond] = useState(device.bonds[0]!.id);
  const bond = device.bonds.find((b) => b.id === bondId) ?? device.bonds[0]!;
  const [roomC, setRoomC] = useState(Math.round(settings.roomC));
  const [rh, setRh] = useState(50);
  const job = useMemo(() => cardJob(device, bond), [device, bond]);
  const { pickMm, edges } = useMemo(() => cardEdges(job, settings), [job, settings]);
  const cures = useMemo(() => cardCures(bond, settings, roomC, rh), [bond, settings, roomC, rh]);
  const kit = useMemo(() => cardTools(device, bond), [device, bond]);
  const hard = useMemo(() => cardHard(job), [job]);
  const history = useModelHistory(device.id);
  const modelled = heatModelled(job.device, job.bond);
  const around = bondPerimeter(job.device, job.bond);
  const learned = learnedLines(history, settings, (x) => x);
  const planWidth = wide ? 320 : width - 32;
  return (
    <PlaceFrame
      title={t('benchCard')}
      line={device.name}
      actions={
        <>
          <View className="flex-1">
            <Button label={t('back')} onPress={() => router.back()} />
          </View>
          <View className="flex-1">
            <Button kind="main" label={t('printTheCard')} onPress={() => window.print()} />
          </View>
        </>
      }
    >
      {children}
      {device.bonds.length > 1 ? (
        <View className="no-print">
          <Choice
            label={t('side')}
            value={bondId}
            options={device.bonds.map((b) => ({ id: b.id, name: faceName(device, b.id) }))}
            onChange={setBond}
          />
        </View>
      ) : null}
      <View className="no-print mb-2">
        <View className={wide ? 'flex-row gap-6' : ''}>
          <View className="flex-1">
            <Txt strong>{t('airSaid', { what: t('roomTemperature'), value: temp(roomC, settings) })}</Txt>
            <RangeInput
              label={t('roomTemperature')}
              valueText={temp(roomC, settings)}
              low={5}
              high={40}
              step={1}
              value={roomC}
              onChange={setRoomC}
            />
          </View>
          <View className="flex-1">
            <Txt strong>{t('airSaid', { what: t('roomHumidity'), value: percent(rh / 100) })}</Txt>
            <RangeInput
              label={t('roomHumidity')}
              valueText={percent(rh / 100)}
              low={15}
              high={90}
              step={5}
              value={rh}
              onChange={setRh}
            />
          </View>
        </View>
      </View>
      <View className={`sheet ${wide ? 'flex-row gap-6' : ''}`} testID="card">
        <View style={{ width: planWidth }}>
          <Txt strong size="l" level={2}>
            {device.name}
          </Txt>
          <Plan
            device={job.device}
            bond={job.bond}
            width={planWidth}
            height={wide ? 460 : 320}
            label={device.name}
            lines={edges.map((e) =>
              t('edgeRowFree', { n: e.n, edge: edgeName(e.edge), need: length(e.needMm, settings) }),
            )}
            bare
          >
            <DeviceBody />
            <DeviceLines />
            <Numbers
              items={edges.map((e) => {
                const s = around.edgeSpan(e.edge);
                return {
                  at: around.point((s.fromMm + s.toMm) / 2).at,
                  text: String(e.n),
                  state: e.n === 1 ? 'next' : 'done',
                };
              })}
            />
          </Plan>
          {guessLine(device) ? <Txt size="s">{guessLine(device)}</Txt> : null}
          <QrCode text={`${typeof window === 'undefined' ? '' : window.location.origin}${path}`} sizePx={96} />
        </View>
        <View className="flex-1">
          <Part title={t('howHardItIs')}>
            <Txt>
              {listed([
                t('handsMinutes', { minutes: t('minutesOf', { n: Math.round(history.handsMin ?? hard.handsMin) }) }),
                hard.experienced ? t('forExperienced') : t('anybodyMay'),
              ])}
              .
            </Txt>
            {hard.reasons.map((r) => (
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
                <View key={name} role="listitem" className="border border-ink2 rounded-[4px] px-2 py-1">
                  <Txt size="s">{name}</Txt>
                </View>
              ))}
            </View>
          </Part>
          <Part title={t('heatOnIt')}>
            {modelled ? (
              <Heats job={job} roomC={roomC} />
            ) : (
              <Txt>{jointOf(bond).glued ? t('lensWarmed') : t('noHeatForIt')}</Txt>
            )}
          </Part>
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
          {cures.length ? (
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
          ) : null}
          <Part title={t('cautionsOfIt')}>
            <Txt size="s">{t('cautionCell')}</Txt>
            <Txt size="s">
              {coverKindOf(job.face).cold ? '' : t('cautionSplinters')} {t('cautionWater')}
            </Txt>
          </Part>
          {learned.length ? (
            <Part title={t('whatTheShopHasLearned')}>
              {learned.slice(0, 8).map((l) => (
                <Txt key={l} size="s">
                  {l}
                </Txt>
              ))}
            </Part>
          ) : null}
        </View>
      </View>
    </PlaceFrame>
  );
}

/** Each heater of the shop, as soon as the heat model is there. */
function Heats({ job, roomC }: { job: JobState; roomC: number }) {
  const thermal = useThermal(job.device, job.bond);
  return thermal.model ? <HeatRows job={job} roomC={roomC} thermal={thermal} /> : <ThermalWait thermal={thermal} />;
}

function HeatRows({ job, roomC, thermal }: { job: JobState; roomC: number; thermal: Thermal }) {
  const settings = useSettings();
  // the finger on the slider goes before the sums
  const room = useDeferredValue(roomC);
  const rows = useMemo(() => cardHeats(job, settings, thermal.model!, room), [job, settings, thermal.model, room]);
  return (
    <View testID="heats">
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
