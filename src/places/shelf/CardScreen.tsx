import { useLocalSearchParams, useRouter } from 'expo-router';
import { useMemo, useState, type ReactNode } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { Paper } from '@/bench-kit/Paper';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import type { Construction, Device } from '@/core/device/types';
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
import { edgeName } from '@/words/placeNames';
import { t } from '@/words/shelf';
import { digits, length, percent, temp } from '@/words/units';
import { cardEdges, cardJob } from '@/work/devices/benchCard';
import { answersOf, constructions, firstAnswers, screenInches, sizeOfScreen, withSize } from '@/work/devices/newModel';
import { Care, Cures, Edges, Hard, Heats } from './CardParts';
import { useModelHistory } from './LearnedOfModel';
import { guessLine } from './KnownFields';

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
  const { edges } = useMemo(() => cardEdges(job, settings), [job, settings]);
  const history = useModelHistory(device.id);
  const around = bondPerimeter(job.device, job.bond);
  const planWidth = wide ? 320 : width - 68;
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
        <View className={wide ? 'flex-row gap-4' : ''}>
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
      <Paper testID="card" title={device.name} sub={faceName(device, bondId)} device={null}>
        <View className={wide ? 'flex-row gap-4' : ''}>
          <View style={{ width: planWidth }}>
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
            <Hard job={job} history={history} />
            <Heats job={job} roomC={roomC} />
            <Edges job={job} />
            <Cures job={job} roomC={roomC} rh={rh} />
            <Care device={device} history={history} />
          </View>
        </View>
      </Paper>
    </PlaceFrame>
  );
}
