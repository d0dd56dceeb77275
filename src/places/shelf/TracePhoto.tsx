import { Pressable, View, type GestureResponderEvent } from 'react-native';
import Svg, { Circle, Image } from 'react-native-svg';

import type { Pt } from '@/core/device/types';
import { rulerMm, type Traced } from '@/core/trace/traceDevice';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { LengthField } from '@/ui/QuantityField';
import type { PlanPhoto } from '@/ui/plan/PhotoLayer';
import { useTokens } from '@/ui/theme';
import { Txt } from '@/ui/Txt';
import { useSettings } from '@/store/shop';
import { t } from '@/words/shelf';
import { length } from '@/words/units';
import { useTrace } from './useTrace';

interface TracePhotoProps {
  width: number;
  onDone: (traced: Traced, camera: readonly [Pt, Pt] | null, photo: PlanPhoto) => void;
}

/** Sizes and cameras from a photo: four corners of a bank card, four edges, two corners of the cameras. */
export function TracePhoto({ width, onDone }: TracePhotoProps) {
  const here = useTrace(onDone);
  const units = useSettings();
  const c = useTokens();
  const { picture, taps, tap, traced, problem } = here;
  const scale = picture ? width / picture.widthPx : 1;
  const press = (e: GestureResponderEvent) => {
    const at = e.nativeEvent as unknown as {
      offsetX?: number;
      offsetY?: number;
      locationX?: number;
      locationY?: number;
    };
    const [x, y] = [at.offsetX ?? at.locationX ?? 0, at.offsetY ?? at.locationY ?? 0];
    tap([x / scale, y / scale]);
  };
  return (
    <View className="border-[1.5px] border-ink bg-panel p-3 mb-3" testID="trace">
      <Txt strong level={2}>
        {t('traceTitle')}
      </Txt>
      {problem ? (
        <Txt role="alert" tone="caution" testID="traceProblem">
          {problem}
        </Txt>
      ) : null}
      {picture ? (
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
          {taps.length && !taps[taps.length - 1]!.found ? <Txt size="s">{t('notFoundThere')}</Txt> : null}
          <Pressable
            testID="tracePicture"
            role="img"
            aria-label={t('photoOfTheDevice', { n: taps.length + 1 })}
            onPress={press}
            style={{ width, height: picture.heightPx * scale }}
          >
            <Svg
              width={width}
              height={picture.heightPx * scale}
              viewBox={`0 0 ${picture.widthPx} ${picture.heightPx}`}
              pointerEvents="none"
            >
              <Image href={picture.data} x={0} y={0} width={picture.widthPx} height={picture.heightPx} />
              {taps.flatMap((x, i) =>
                x.points.map((p, k) => (
                  <Circle
                    key={`${i} ${k}`}
                    cx={p[0]}
                    cy={p[1]}
                    r={6 / scale}
                    fill="none"
                    stroke={c.caution}
                    strokeWidth={2.5 / scale}
                  />
                )),
              )}
            </Svg>
          </Pressable>
          <View className="flex-row flex-wrap gap-2 mt-2">
            <Button kind="small" label={t('lastTapAway')} disabled={!taps.length} onPress={here.back} />
            <Button kind="small" label={t('anotherPhoto')} onPress={() => void here.open(false)} />
            {traced ? <Button kind="small" label={t('useTheseSizes')} onPress={here.done} /> : null}
          </View>
        </>
      ) : (
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
            {here.gauge === 'card' ? t('traceHow') : t('traceHowRuler')}
          </Txt>
          <View className="flex-row flex-wrap gap-2">
            <Button kind="small" label={t('takeAPhoto')} onPress={() => void here.open(true)} />
            <Button kind="small" label={t('chooseAPhoto')} onPress={() => void here.open(false)} />
          </View>
        </>
      )}
    </View>
  );
}
