import { useLocalSearchParams } from 'expo-router';
import { Pressable, View } from 'react-native';

import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import type { Construction } from '@/core/device/types';
import { sizeLimits } from '@/model/guessAnswers';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { DeviceBody, DeviceLines } from '@/ui/plan/BaseLayer';
import { PhotoLayer } from '@/ui/plan/PhotoLayer';
import { Plan } from '@/ui/plan/Plan';
import { LengthField } from '@/ui/QuantityField';
import { Txt } from '@/ui/Txt';
import { cameraMiddle, constructions, screenInches, sizeOfScreen, withSize } from '@/work/devices/newModel';
import { t } from '@/words/shelf';
import { told } from '@/words/told';
import { digits } from '@/words/units';
import { guessedWords } from './knownWords';
import { HoldPicture } from './HoldPicture';
import { TracePhoto } from './TracePhoto';
import { useNewModel, type NewModelState } from './useNewModel';
import { Cameras, Inside } from './NewModelInside';

const holds = {
  ringGlass: ['holdRingGlass', 'tellRingGlass'],
  ringPlastic: ['holdRingPlastic', 'tellRingPlastic'],
  fullGlass: ['holdFullGlass', 'tellFullGlass'],
  clipped: ['holdClipped', 'tellClipped'],
  lensInRing: ['holdLensInRing', 'tellLensInRing'],
  frameLens: ['holdFrameLens', 'tellFrameLens'],
} as const satisfies Record<Construction, readonly [string, string]>;

/** A model of the device in the hand, from five answers. */
export function NewModelScreen() {
  const { from } = useLocalSearchParams<{ from?: string }>();
  const here = useNewModel(from === 'job' ? 'job' : 'shelf');
  const { a, wrong, problem, wide, save, back } = here;
  const missing = a.construction === null ? t('sayHowTheBackIsHeld') : wrong;
  return (
    <PlaceFrame
      title={t('modelInAMinute')}
      line={t('fiveAnswers')}
      actions={
        <>
          <View className="flex-1">
            <Button label={t('back')} onPress={back} />
          </View>
          <View className="flex-[2]">
            <Button
              kind="main"
              label={from === 'job' ? t('useThisModel') : t('saveTheModel')}
              disabled={missing !== null}
              {...(missing === null ? {} : { why: missing })}
              onPress={() => void save()}
            />
          </View>
        </>
      }
    >
      {(problem ?? wrong) ? (
        <View role="alert" className="border-[1.5px] border-caution bg-panel p-3 mb-3">
          <Txt tone="caution" testID="message">
            {problem ?? wrong}
          </Txt>
        </View>
      ) : null}
      <View className={wide ? 'flex-row gap-4' : ''}>
        <View className={wide ? 'flex-1' : ''}>
          <Hold here={here} />
          <Size here={here} />
          {wide ? null : <Picture here={here} />}
          <Cameras here={here} />
          <Inside here={here} />
        </View>
        {wide ? <Picture here={here} /> : null}
      </View>
    </PlaceFrame>
  );
}

/** First answer: six pictures, with what tells them apart. */
function Hold({ here: { a, set } }: { here: NewModelState }) {
  return (
    <View className="mb-3">
      <Txt strong level={2} className="mb-1">
        {t('howIsTheBackHeld')}
      </Txt>
      <View role="radiogroup" aria-label={t('howIsTheBackHeld')} className="flex-row flex-wrap gap-2">
        {constructions.map((kind) => {
          const on = a.construction === kind;
          const [name, tell] = holds[kind];
          return (
            <Pressable
              key={kind}
              role="radio"
              aria-checked={on}
              aria-label={t(name)}
              onPress={() => set((x) => ({ ...x, construction: kind }))}
              className={`basis-[31%] grow min-w-[108px] items-center rounded-card border-[1.5px] px-2 py-2 ${on ? 'bg-ink border-ink' : 'bg-panel border-ink2'}`}
            >
              <HoldPicture kind={kind} on={on} />
              <Txt size="s" strong tone={on ? 'onInk' : 'ink'} className="text-center">
                {t(name)}
              </Txt>
              <Txt size="s" tone={on ? 'onInk' : 'ink2'} className="text-center">
                {t(tell)}
              </Txt>
            </Pressable>
          );
        })}
      </View>
      <View className="mt-3">
        <Choice
          label={t('theInsideIsReachedFrom')}
          value={a.opensFrom}
          options={[
            { id: 'back', name: t('theBack') },
            { id: 'front', name: t('theScreen') },
          ]}
          onChange={(opensFrom) => set((x) => ({ ...x, opensFrom }))}
        />
      </View>
    </View>
  );
}

/** Second answer: by the screen, or by a ruler. */
function Size({ here: { a, set, units, tracing, trace, onTraced, planWidth } }: { here: NewModelState }) {
  const inches = [...screenInches.phone, ...screenInches.tablet];
  const on = a.sizeMeasured
    ? null
    : (inches.find(
        (d) =>
          Math.abs(sizeOfScreen(d).widthMm - a.widthMm) < 0.05 &&
          Math.abs(sizeOfScreen(d).lengthMm - a.lengthMm) < 0.05,
      ) ?? null);
  return (
    <View className="mb-3">
      <Txt strong level={2} className="mb-1">
        {t('howBig')}
      </Txt>
      {tracing ? (
        <TracePhoto width={planWidth - 28} onDone={onTraced} />
      ) : (
        <View className="self-start mb-2">
          <Button kind="small" label={t('fromAPhoto')} onPress={trace} />
        </View>
      )}
      <Choice
        label={t('byItsScreen')}
        value={on === null ? null : String(on)}
        options={inches.map((d) => ({ id: String(d), name: `${digits(d, Number.isInteger(d) ? 0 : 1)}″` }))}
        onChange={(d) => set((x) => withSize(x, { ...sizeOfScreen(Number(d)), sizeMeasured: false }))}
      />
      <View className="flex-row flex-wrap gap-x-4">
        {(
          [
            ['lengthMm', t('lengthOfIt'), (lengthMm: number) => withSize(a, { lengthMm, sizeMeasured: true })],
            ['widthMm', t('widthOfIt'), (widthMm: number) => withSize(a, { widthMm, sizeMeasured: true })],
            [
              'thicknessMm',
              t('thicknessOfIt'),
              (thicknessMm: number) => ({ ...a, thicknessMm, thicknessMeasured: true }),
            ],
          ] as const
        ).map(([field, label, next]) => (
          <LengthField
            key={field}
            label={label}
            units={units}
            lowMm={sizeLimits[field][0]}
            highMm={sizeLimits[field][1]}
            digits={1}
            valueMm={a[field]}
            onMm={(v) => set(() => next(v))}
          />
        ))}
      </View>
    </View>
  );
}

/** The model so far: a tap sets cameras and keys. */
function Picture({ here: { a, view, device, planWidth, onTap, guessed, wide, photo } }: { here: NewModelState }) {
  if (!view || !device) return null;
  const at = cameraMiddle(a);
  return (
    <View className="mb-3" style={{ width: planWidth }}>
      <Txt strong level={2}>
        {t('tapCamerasAndKeys')}
      </Txt>
      <Txt size="s" tone="ink2" className="mb-1">
        {t('tapInsideAtTheEdge')}
      </Txt>
      <Plan
        device={view.device}
        bond={view.bond}
        width={planWidth}
        height={wide ? 520 : 320}
        label={device.name}
        lines={[
          ...(at ? [t('camerasAt', { x: Math.round(at[0]), y: Math.round(at[1]) })] : []),
          ...device.parts.map((p) => told(p.name)),
        ]}
        onTap={onTap}
      >
        <DeviceBody />
        {photo ? <PhotoLayer photo={photo} strength={0.6} /> : null}
        <DeviceLines />
      </Plan>
      <Txt size="s" tone="ink2" testID="guessed">
        {t('guessedSoFar', { list: guessedWords(guessed) })}
      </Txt>
    </View>
  );
}
