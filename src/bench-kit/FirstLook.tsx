import { useEffect } from 'react';
import { View } from 'react-native';

import { guessK, insideGuessed } from '@/core/device/known';
import type { Device } from '@/core/device/types';
import type { Range } from '@/core/source';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/kit';
import { kelvin, percent, spoken } from '@/words/units';
import type { Thermal } from './useThermal';

/** Said where limits rest on what nobody has seen. */
export function GuessedInside({ device }: { device: Device }) {
  const units = useSettings();
  if (!insideGuessed(device)) return null;
  return (
    <View testID="guessedInside" className="border-l-[3px] border-ink2 pl-3 my-2">
      <Txt size="s">{t('insideIsGuessed', { within: kelvin(guessK.bondHigh, units, 0) })}</Txt>
    </View>
  );
}

interface FirstLookProps {
  thermal: Thermal;
  /** names what is planned; not said on pages that compare several plans */
  plan?: string;
  /** when it opens, s from the beginning of the heat; null: not at all */
  readyInS?: Range | null;
}

/**
 * Says that an answer comes from a first look, how far off it may be and how long the exact one takes; and once, when that is
 * there, what it changed for the same plan.
 */
export function FirstLook({ thermal, plan = '', readyInS = null }: FirstLookProps) {
  const units = useSettings();
  const { first, said, say } = thermal;
  useEffect(() => {
    if (first && readyInS) say({ plan, readyInS });
  }, [first, say, plan, readyInS]);
  if (first)
    return (
      <View role="status" testID="firstLook" className="border-[1.5px] border-ink bg-panel p-3 my-2 gap-1">
        <Txt strong>{t('firstAnswer', { within: kelvin(thermal.model?.modes.unsureK?.bondHigh ?? 0, units, 0) })}</Txt>
        <Txt size="s" tone="ink2">
          {thermal.building === null
            ? t('theExactOneIsNotBuilt')
            : t('theExactOneIsBuilt', { share: percent(Math.max(0.01, thermal.building)) })}
        </Txt>
        {thermal.building === null ? (
          <Button kind="small" label={t('buildTheHeatModel')} onPress={thermal.retry} />
        ) : (
          <Button kind="small" label={t('keepTheFirstAnswer')} onPress={thermal.cancel} />
        )}
      </View>
    );
  if (said?.plan !== plan || !readyInS) return null;
  return (
    <View role="status" testID="firstLook" className="border-l-[3px] border-ink2 pl-3 my-2">
      <Txt size="s">
        {t('exactNow', {
          ready: spoken(readyInS.mean),
          low: spoken(said.readyInS.low),
          high: spoken(said.readyInS.high),
        })}
      </Txt>
    </View>
  );
}
