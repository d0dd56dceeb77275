import { Image, Pressable, View } from 'react-native';

import { cameraFigures } from '@/core/camera/compare';
import { shotFigures } from '@/core/camera/shot';
import { speckFigures } from '@/core/camera/specks';
import { coverFigures } from '@/core/fit/lensCover';
import { LongRunLine } from '@/bench-kit/LongRunLine';
import { rowOf, Why } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Readings } from '@/ui/Readings';
import { Txt } from '@/ui/Txt';
import { digits, percent, stamp } from '@/words/units';
import type { CameraScreenState } from './useCameraScreen';
import { t } from '@/words/check';

/** Width over height of a picture that was loaded, as this platform tells it. */
const shapeOf = (e: unknown): number | null => {
  const img = (e as { nativeEvent?: { target?: { naturalWidth?: number; naturalHeight?: number } } }).nativeEvent
    ?.target;
  return img?.naturalWidth && img.naturalHeight ? img.naturalWidth / img.naturalHeight : null;
};

/** Sharpness, flare and specks. */
export function CameraReadings({ here: { sharp, flare, view, sits, byEye } }: { here: CameraScreenState }) {
  return (
    <Readings
      items={[
        {
          id: 'sharp',
          value: sharp ? `${digits(sharp.ratio, 2)} ×` : '–',
          label: sharp
            ? t('sharpnessTo', { figure: digits(sharp.low, 2), figure2: digits(sharp.high, 2) })
            : t('sharpnessAfterAgainstBefore'),
          tone: sharp ? (sharp.verdict === 'noLoss' ? 'go' : sharp.verdict === 'undecided' ? 'ink' : 'caution') : 'ink',
        },
        {
          id: 'flare',
          value: flare ? `${digits(100 * flare.added, 1)} %` : '–',
          label: flare
            ? t('ofWhiteAddedInTheBlack', {
                figure: digits(200 * flare.u, 1),
                value: percent(cameraFigures.flareLimit.value),
              })
            : t('lightAddedInTheBlack'),
          tone: flare?.verdict === 'added' ? 'caution' : 'ink',
        },
        {
          id: 'specks',
          value: `${view.specks.before ?? '–'} / ${view.specks.after ?? '–'}`,
          label: t('specksBeforeAfterOnAnEven'),
          tone: (view.specks.after ?? 0) > (view.specks.before ?? 0) ? 'caution' : 'ink',
        },
        {
          id: 'seat',
          value: sits === null ? '–' : sits ? t('sits') : t('doesNotSit'),
          label: byEye ? t('coverByEyeReading') : sits === null ? t('coverInItsHoleNotMeasured') : t('coverInItsHole'),
          tone: sits === false ? 'caution' : 'ink',
        },
      ]}
    />
  );
}

/** Which camera, before or after. */
export function WhichShot({ here: { lenses, lens, setLens, phase, setPhase } }: { here: CameraScreenState }) {
  return (
    <>
      {lenses.length > 1 ? <Choice label={t('which')} value={lens} options={lenses} onChange={setLens} /> : null}
      <Choice
        label={t('when')}
        value={phase}
        options={[
          { id: 'before', name: t('beforeOrWithoutTheCover') },
          { id: 'after', name: t('afterWithIt') },
        ]}
        onChange={setPhase}
      />
    </>
  );
}

/** A picture of the target, or of a flat field. */
export function ShotSource({
  here: { shots, takeTarget, fields, takeField, url, tap, shape, setShape },
}: {
  here: CameraScreenState;
}) {
  return (
    <>
      <View className="gap-2 mb-2">
        <Button
          kind="small"
          label={t('pictureOfTheTarget')}
          disabled={shots.share !== null}
          onPress={() => void takeTarget()}
        />
        <LongRunLine name={t('lookingForEdges')} share={shots.share} problem={null} onCancel={shots.cancel} />
        <Button
          kind="small"
          label={t('pictureOfAnEvenField')}
          disabled={fields.share !== null}
          onPress={() => void takeField()}
        />
        <LongRunLine name={t('lookingForSpecks')} share={fields.share} problem={null} onCancel={fields.cancel} />
      </View>
      {url ? (
        <View className="mb-2">
          <Txt size="s" tone="ink2" className="mb-1">
            {t('whereThePageFindsNoEdge')}
          </Txt>
          <Pressable role="button" aria-label={t('thePictureTapAnEdge')} onPress={(e) => void tap(e)}>
            <Image
              source={{ uri: url }}
              style={{ width: '100%', aspectRatio: shape }}
              onLoad={(e) => setShape(shapeOf(e) ?? 4 / 3)}
              aria-label={t('thePictureOfTheTarget')}
            />
          </Pressable>
        </View>
      ) : null}
    </>
  );
}

/** The pictures so far. */
export function ShotList({ here: { mine, undo } }: { here: CameraScreenState }) {
  return mine.map((s) => (
    <View key={s.id} className="flex-row justify-between items-center border-b border-rule">
      <Txt size="s" className="flex-1">
        {s.edges.length === 1
          ? t('edgeHalfContrastAtCyclesPer', {
              at: stamp(s.at),
              phase: s.phase,
              n: s.edges.length,
              figure: digits(s.edges.reduce((m, e) => m + e.mtf50, 0) / Math.max(1, s.edges.length), 3),
            })
          : t('edgesHalfContrastAtCyclesPer', {
              at: stamp(s.at),
              phase: s.phase,
              n: s.edges.length,
              figure: digits(s.edges.reduce((m, e) => m + e.mtf50, 0) / Math.max(1, s.edges.length), 3),
            })}
      </Txt>
      <Button kind="small" label={t('leaveOut')} onPress={() => undo(s.id)} />
    </View>
  ));
}

/** Why this is told of it. */
export function CameraWhy({ here: { job, mine, lens, sharp, flare, view } }: { here: CameraScreenState }) {
  return (
    <Why
      job={job}
      call="camera"
      inputs={{ shots: mine.length, lens }}
      computed={{ sharp, flare, specks: view.specks }}
      notes={[t('slantedEdgesAfterIso12233The'), t('twoPicturesOnEachSideShow'), t('lightInABlackPatchInside')]}
      rows={[
        rowOf(t('noLossFrom'), cameraFigures.okRatio, ''),
        rowOf(t('clearLossBelow'), cameraFigures.badRatio, ''),
        rowOf(t('twoPicturesDifferBy'), cameraFigures.uShot, ''),
        rowOf(t('lightThatMayBeAdded'), cameraFigures.flareLimit, ''),
        rowOf(t('whiteCountsAsClippedFrom'), shotFigures.clipped, ''),
        rowOf(t('speckTimesTheScatter'), speckFigures.k, ''),
        rowOf(t('speckAtLeast'), speckFigures.least, ''),
        rowOf(t('highestStepOfACover'), coverFigures.mostStepMm, 'mm'),
        rowOf(t('leastRingRoundACover'), coverFigures.leastRingMm, 'mm'),
      ]}
    />
  );
}
