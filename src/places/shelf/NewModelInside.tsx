import { View } from 'react-native';

import { insideKinds, tabletFromMm } from '@/model/guessAnswers';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { LengthField } from '@/ui/QuantityField';
import { TextBox } from '@/ui/TextBox';
import { Txt } from '@/ui/Txt';
import { cameraMiddle, cameraShapes } from '@/work/devices/newModel';
import { t } from '@/words/shelf';
import { type NewModelState } from './useNewModel';

const insideNames = { boardTop: 'boardOverTheCell', boardSide: 'boardBesideTheCell', twoCells: 'twoCells' } as const;

const shapeNames = { column: 'oneUnderTheOther', block: 'inABlock', bar: 'sideBySide' } as const;

/** Third and fourth answer in numbers: for who cannot tap the plan. */
export function Cameras({ here: { a, set, units } }: { here: NewModelState }) {
  const at = cameraMiddle(a);
  return (
    <View className="mb-3">
      <Choice
        label={t('cameras')}
        value={String(a.lenses)}
        options={[0, 1, 2, 3, 4, 5].map((n) => ({ id: String(n), name: String(n) }))}
        onChange={(n) => set((x) => ({ ...x, lenses: Number(n) }))}
      />
      {a.lenses > 1 ? (
        <Choice
          label={t('theyStand')}
          value={a.cameraShape}
          options={cameraShapes.map((id) => ({ id, name: t(shapeNames[id]) }))}
          onChange={(cameraShape) => set((x) => ({ ...x, cameraShape }))}
        />
      ) : null}
      <Disclosure title={t('inNumbers')}>
        {at ? (
          <View className="flex-row flex-wrap gap-x-4">
            <LengthField
              label={t('camerasFromTheLeft')}
              units={units}
              lowMm={0}
              highMm={a.widthMm}
              digits={1}
              valueMm={at[0]}
              onMm={(x0) => set((x) => ({ ...x, cameraAt: [x0, at[1]] }))}
            />
            <LengthField
              label={t('camerasFromTheTop')}
              units={units}
              lowMm={0}
              highMm={a.lengthMm}
              digits={1}
              valueMm={at[1]}
              onMm={(y0) => set((x) => ({ ...x, cameraAt: [at[0], y0] }))}
            />
          </View>
        ) : null}
        <Button
          kind="small"
          label={t('itHasNoKeys')}
          onPress={() => set((x) => ({ ...x, keys: [], keysSeen: true }))}
        />
      </Disclosure>
    </View>
  );
}

/** Fifth answer, and the name. */
export function Inside({ here: { a, set, usualName } }: { here: NewModelState }) {
  const tablet = a.widthMm >= tabletFromMm;
  return (
    <View className="mb-3">
      <Choice
        label={t('insideItIs')}
        value={a.inside}
        options={insideKinds
          .filter((id) => !(tablet && id === 'boardSide'))
          .map((id) => ({ id, name: t(insideNames[id]) }))}
        onChange={(inside) => set((x) => ({ ...x, inside }))}
        hint={t('notOpenedYetUsual')}
      />
      <Choice
        label={t('chargesThroughItsBack')}
        value={a.coil === null ? 'unknown' : a.coil ? 'yes' : 'no'}
        options={[
          { id: 'unknown', name: t('notKnown') },
          { id: 'yes', name: t('yes') },
          { id: 'no', name: t('no') },
        ]}
        onChange={(v) => set((x) => ({ ...x, coil: v === 'unknown' ? null : v === 'yes' }))}
      />
      <Txt strong className="mb-1">
        {t('nameOfTheModel')}
      </Txt>
      <TextBox
        aria-label={t('nameOfTheModel')}
        placeholder={usualName}
        value={a.name}
        maxLength={80}
        onChangeText={(name) => set((x) => ({ ...x, name }))}
      />
    </View>
  );
}
