import { useState } from 'react';
import { View } from 'react-native';

import { FitPhoto } from '@/bench-kit/FitPhoto';
import { useFitPhoto } from '@/bench-kit/useFitPhoto';
import { boxOf } from '@/core/device/shapes';
import { keepModelPhoto, withPicture } from '@/store/modelPhoto';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/shelf';
import type { EditorState } from './useEditor';

interface PhotoOfModelProps {
  here: EditorState;
  inside: boolean;
  onInside: (inside: boolean) => void;
}

/** A photo of this side of the model, or of what is behind its cover, laid under the plan. */
export function PhotoOfModel({ here, inside, onInside }: PhotoOfModelProps) {
  const { view, face, change, planWidth, d } = here;
  const [adding, setAdding] = useState(false);
  const there = d.pictures?.some((p) => p.face === face.id && p.inside === inside) ?? false;
  return (
    <Disclosure title={t('photosUnderThePlan')}>
      <Choice
        label={t('photoShows')}
        value={inside ? 'inside' : 'outside'}
        options={[
          { id: 'outside', name: t('thisSideFromOutside') },
          { id: 'inside', name: t('whatIsBehindIt') },
        ]}
        onChange={(x) => onInside(x === 'inside')}
      />
      {adding ? (
        <Adding key={`${face.id} ${inside}`} here={here} inside={inside} onClose={() => setAdding(false)} />
      ) : (
        <View className="flex-row flex-wrap gap-2">
          <Button
            kind="small"
            label={there ? t('anotherPhotoOfIt') : t('addAPhotoOfIt')}
            onPress={() => setAdding(true)}
          />
          {there ? (
            <Button
              kind="small"
              label={t('takeThePhotoAway')}
              onPress={() =>
                change((x) => ({
                  ...x,
                  pictures: (x.pictures ?? []).filter((p) => p.face !== face.id || p.inside !== inside),
                }))
              }
            />
          ) : null}
        </View>
      )}
      <Txt size="s" tone="ink2" className="mt-1" style={{ maxWidth: planWidth }}>
        {t('photosGoWithTheModel', { name: view.device.name })}
      </Txt>
    </Disclosure>
  );
}

function Adding({ here, inside, onClose }: { here: EditorState; inside: boolean; onClose: () => void }) {
  const { view, face, change, planWidth } = here;
  const [problem, setProblem] = useState<string | null>(null);
  const { outline } = view.device.leaves[0]!;
  const { min, max } = boxOf(outline);
  const fit = useFitPhoto(max[0] - min[0], max[1] - min[1]);
  const use = async () => {
    const photo = fit.fitted();
    if (!photo) return;
    try {
      const picture = await keepModelPhoto(photo, { face: face.id, inside });
      change((x) => withPicture(x, picture));
      onClose();
    } catch (e) {
      setProblem(e instanceof Error ? e.message : t('notSaved'));
    }
  };
  return (
    <>
      {problem ? (
        <Txt role="alert" tone="caution">
          {problem}
        </Txt>
      ) : null}
      <FitPhoto
        here={fit}
        outline={outline}
        width={Math.max(240, planWidth - 40)}
        title={inside ? t('photoOfTheInside') : t('photoOfThisSide')}
      >
        <Button kind="small" label={t('layItUnderThePlan')} disabled={!fit.toPicture} onPress={() => void use()} />
        <Button kind="small" label={t('close')} onPress={onClose} />
      </FitPhoto>
    </>
  );
}
