import type { ReactNode } from 'react';
import { View } from 'react-native';
import { Polygon } from 'react-native-svg';

import { polygonOf } from '@/core/device/polygon';
import { boxOf } from '@/core/device/shapes';
import type { Outline } from '@/core/device/types';
import { Button } from '@/ui/Button';
import { PhotoBoard } from '@/ui/PhotoBoard';
import { useTokens } from '@/ui/theme';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/kit';
import type { FitPhotoState } from './useFitPhoto';

const corners = {
  topLeft: 'cornerTopLeft',
  topRight: 'cornerTopRight',
  bottomRight: 'cornerBottomRight',
  bottomLeft: 'cornerBottomLeft',
} as const;
/** In the order of the plan's corners. */
const cornerNames = Object.values(corners);

interface FitPhotoProps {
  here: FitPhotoState;
  /** outline of what is photographed, as it is looked at */
  outline: Outline;
  width: number;
  title: string;
  /** more buttons */
  children?: ReactNode;
}

/** A photo laid on an outline whose size is known: four corners, found or dragged, and it is straightened. */
export function FitPhoto({ here, outline, width, title, children }: FitPhotoProps) {
  const c = useTokens();
  const { min } = boxOf(outline);
  const { photo, toPicture } = here;
  const line = polygonOf(outline);
  return (
    <View className="border-[1.5px] border-ink bg-panel p-3 mb-3" testID="fitPhoto">
      <Txt strong level={2}>
        {title}
      </Txt>
      {here.problem ? (
        <Txt role="alert" tone="caution" testID="fitProblem">
          {here.problem}
        </Txt>
      ) : null}
      {photo ? (
        <>
          <Txt role="status" className="mb-1" testID="fitSays">
            {here.found ? t('outlineFound') : t('dragTheCorners')}
          </Txt>
          <PhotoBoard
            picture={photo.picture}
            width={width}
            label={title}
            testID="fitPicture"
            handles={here.corners.map((at, i) => ({
              key: String(i),
              at,
              label: t(cornerNames[i]!),
              onMove: (dx, dy) => here.move(i, dx, dy),
            }))}
          >
            {(perPx) =>
              toPicture ? (
                <Polygon
                  points={line.map((p) => toPicture([p[0] - min[0], p[1] - min[1]]).join(',')).join(' ')}
                  fill="none"
                  stroke={c.caution}
                  strokeWidth={2 * perPx}
                />
              ) : null
            }
          </PhotoBoard>
          <View className="flex-row flex-wrap gap-2 mt-2">
            <Button kind="small" label={t('otherEndUp')} onPress={here.turn} />
            <Button kind="small" label={t('anotherPhoto')} onPress={() => void here.open(false)} />
            {children}
          </View>
        </>
      ) : (
        <>
          <Txt size="s" className="mb-2">
            {here.busy ? t('lookingForTheOutline') : t('fitHow')}
          </Txt>
          <View className="flex-row flex-wrap gap-2">
            <Button kind="small" label={t('takeAPhoto')} disabled={here.busy} onPress={() => void here.open(true)} />
            <Button kind="small" label={t('chooseAPhoto')} disabled={here.busy} onPress={() => void here.open(false)} />
            {children}
          </View>
        </>
      )}
    </View>
  );
}
