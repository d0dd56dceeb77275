import { View } from 'react-native';
import { Circle, Polygon } from 'react-native-svg';

import type { Pt } from '@/core/device/types';
import { rulerMm, type Traced } from '@/core/trace/traceDevice';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { PhotoBoard } from '@/ui/PhotoBoard';
import { LengthField } from '@/ui/QuantityField';
import type { PlanPhoto } from '@/ui/plan/PhotoLayer';
import { useTokens } from '@/ui/theme';
import { Txt } from '@/ui/Txt';
import { useSettings } from '@/store/shop';
import { t as tk } from '@/words/kit';
import { t } from '@/words/shelf';
import { length } from '@/words/units';
import { useTrace, type TraceState } from './useTrace';

interface TracePhotoProps {
  width: number;
  onDone: (traced: Traced, camera: readonly [Pt, Pt] | null, photo: PlanPhoto) => void;
}

/** Sizes and cameras from a photo: a bank card and the device under it are found, or tapped; each point can be dragged. */
export function TracePhoto({ width, onDone }: TracePhotoProps) {
  const here = useTrace(onDone);
  return (
    <View className="border-[1.5px] border-ink bg-panel p-3 mb-3" testID="trace">
      <Txt strong level={2}>
        {t('traceTitle')}
      </Txt>
      {here.problem ? (
        <Txt role="alert" tone="caution" testID="traceProblem">
          {here.problem}
        </Txt>
      ) : null}
      {here.picture ? <Measured here={here} width={width} /> : <Begin here={here} />}
    </View>
  );
}

/** The photo with its points, and what they give. */
function Measured({ here, width }: { here: TraceState; width: number }) {
  const units = useSettings();
  const c = useTokens();
  const { picture, taps, tap, traced, first } = here;
  return (
    <>
      <Txt role="status" className="mb-1" testID="traceSays">
        {traced
          ? t('traceIs', {
              width: length(traced.widthMm, units),
              length: length(traced.lengthMm, units),
              u: length(2 * traced.uMm, units),
            })
          : here.says}
      </Txt>
      {traced && taps.length < here.whole ? <Txt size="s">{here.says}</Txt> : null}
      {traced ? <Txt size="s">{t('dragWhatIsOff')}</Txt> : null}
      {taps.length && !taps[taps.length - 1]!.found ? <Txt size="s">{t('notFoundThere')}</Txt> : null}
      <PhotoBoard
        picture={picture!}
        width={width}
        label={t('photoOfTheDevice', { n: taps.length + 1 })}
        testID="tracePicture"
        onTap={tap}
        handles={taps.map((x, i) => ({
          key: String(i),
          at: x.at,
          label: i < first ? t('pointOfTheGauge', { n: i + 1 }) : t('pointOfTheDevice', { n: i + 1 - first }),
          onMove: (dx, dy) => here.move(i, dx, dy),
        }))}
      >
        {(perPx) => (
          <>
            {traced ? (
              <Polygon
                points={(
                  [
                    [0, 0],
                    [traced.widthMm, 0],
                    [traced.widthMm, traced.lengthMm],
                    [0, traced.lengthMm],
                  ] as Pt[]
                )
                  .map((p) => traced.toPicture(p).join(','))
                  .join(' ')}
                fill="none"
                stroke={c.caution}
                strokeWidth={1.5 * perPx}
                strokeDasharray={`${6 * perPx} ${4 * perPx}`}
              />
            ) : null}
            {taps.flatMap((x, i) =>
              x.points.length < 2
                ? []
                : x.points.map((p, k) => (
                    <Circle key={`${i} ${k}`} cx={p[0]} cy={p[1]} r={2.5 * perPx} fill={c.caution} />
                  )),
            )}
          </>
        )}
      </PhotoBoard>
      <View className="flex-row flex-wrap gap-2 mt-2">
        {traced ? <Button kind="small" label={t('useTheseSizes')} onPress={here.done} /> : null}
        <Button kind="small" label={t('lastTapAway')} disabled={!taps.length} onPress={here.back} />
        {taps.length > 1 ? <Button kind="small" label={t('tapThemMyself')} onPress={here.byHand} /> : null}
        <Button kind="small" label={tk('anotherPhoto')} onPress={() => void here.open(false)} />
      </View>
    </>
  );
}

/** What it is measured by, and the photo. */
function Begin({ here }: { here: TraceState }) {
  const units = useSettings();
  return (
    <>
      <Choice
        label={t('measuredBy')}
        value={here.gauge}
        options={[
          { id: 'card', name: t('byCard') },
          { id: 'ruler', name: t('byRuler') },
        ]}
        onChange={here.setGauge}
      />
      {here.gauge === 'ruler' ? (
        <LengthField
          label={t('rulerMarksApart')}
          units={units}
          lowMm={rulerMm.low}
          highMm={rulerMm.high}
          digits={0}
          valueMm={here.apartMm}
          onMm={here.setApartMm}
        />
      ) : null}
      <Txt size="s" className="mb-2">
        {here.busy ? t('lookingForCard') : here.gauge === 'card' ? t('traceHow') : t('traceHowRuler')}
      </Txt>
      <View className="flex-row flex-wrap gap-2">
        <Button kind="small" label={tk('takeAPhoto')} disabled={here.busy} onPress={() => void here.open(true)} />
        <Button kind="small" label={tk('chooseAPhoto')} disabled={here.busy} onPress={() => void here.open(false)} />
      </View>
    </>
  );
}
