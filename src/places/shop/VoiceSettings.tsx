import { useEffect, useState } from 'react';
import { View } from 'react-native';

import type { Settings } from '@/model/settings';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { NumberField } from '@/ui/NumberField';
import { RangeInput } from '@/ui/RangeInput';
import { Txt } from '@/ui/Txt';
import { say } from '@/ui/voice';
import { t } from '@/words/shop';
import { percent } from '@/words/units';
import { cueText } from '@/words/voiceText';
import type { ShopScreenState } from './useShopScreen';

const evening = { fromH: 20, toH: 8 };

/** Calls that are said aloud: how much, how loud, when not; and the key of a pedal. */
export function VoiceSettings({ here: { s, put } }: { here: ShopScreenState }) {
  const { voice } = s;
  const set = (change: Partial<Settings['voice']>) => void put({ voice: { ...voice, ...change } });
  const [heard, setHeard] = useState<ReturnType<typeof say> | null>(null);
  return (
    <View className="mb-2">
      <Choice
        label={t('callsSaidAloud')}
        value={!voice.on ? 'off' : voice.much}
        options={[
          { id: 'main', name: t('theFewThatMatter') },
          { id: 'all', name: t('allOfThem') },
          { id: 'off', name: t('off') },
        ]}
        onChange={(v) => set(v === 'off' ? { on: false } : { on: true, much: v })}
        hint={t('voiceHint')}
      />
      {voice.on ? (
        <>
          <Txt size="s">{t('howLoud')}</Txt>
          <RangeInput
            label={t('howLoud')}
            valueText={percent(voice.volume)}
            low={0}
            high={1}
            step={0.1}
            value={voice.volume}
            onChange={(volume) => set({ volume })}
          />
          <View className="flex-row flex-wrap gap-2 items-center my-1">
            <Button
              kind="small"
              label={t('sayOne')}
              onPress={() => setHeard(say(cueText({ say: 'heatOff', edge: 'bottom' }, s), 'opens', voice.volume))}
            />
            {heard ? (
              <Txt size="s" role="status">
                {t(saidBy[heard])}
              </Txt>
            ) : null}
          </View>
          <Choice
            label={t('quietHours')}
            value={voice.quiet ? 'on' : 'off'}
            options={[
              { id: 'off', name: t('none') },
              { id: 'on', name: t('fromTo') },
            ]}
            onChange={(v) => set({ quiet: v === 'on' ? evening : null })}
          />
          {voice.quiet ? (
            <View className="flex-row gap-4">
              <NumberField
                label={t('quietFrom')}
                unit="h"
                low={0}
                high={24}
                digits={0}
                value={voice.quiet.fromH}
                onCommit={(fromH) => set({ quiet: { ...voice.quiet!, fromH } })}
              />
              <NumberField
                label={t('quietTo')}
                unit="h"
                low={0}
                high={24}
                digits={0}
                value={voice.quiet.toH}
                onCommit={(toH) => set({ quiet: { ...voice.quiet!, toH } })}
              />
            </View>
          ) : null}
        </>
      ) : null}
      <PedalKey pedalKey={s.pedalKey} onKey={(pedalKey) => void put({ pedalKey })} />
    </View>
  );
}

const saidBy = { voice: 'saidByVoice', tone: 'saidByTone', nothing: 'saidByNothing' } as const;

/** Which key a pedal, ring or headset button sends: pressed once, it is known. */
function PedalKey({ pedalKey, onKey }: { pedalKey: string | null; onKey: (key: string | null) => void }) {
  const [asking, setAsking] = useState(false);
  useEffect(() => {
    if (!asking) return;
    const key = (e: KeyboardEvent) => {
      e.preventDefault();
      e.stopPropagation();
      setAsking(false);
      if (e.key !== 'Escape') onKey(e.key.slice(0, 40));
    };
    window.addEventListener('keydown', key, { capture: true });
    return () => window.removeEventListener('keydown', key, { capture: true });
  }, [asking, onKey]);
  return (
    <View className="mt-2">
      <Txt strong>{t('pedal')}</Txt>
      <Txt size="s" tone="ink2" role="status" testID="pedal">
        {asking
          ? t('pressThePedalNow')
          : pedalKey === null
            ? t('noPedalYet')
            : t('pedalSends', { key: pedalKey === ' ' ? t('spaceKey') : pedalKey })}
      </Txt>
      <View className="flex-row flex-wrap gap-2 mt-1">
        <Button kind="small" label={t('teachThePedal')} onPress={() => setAsking(true)} />
        {pedalKey === null ? null : <Button kind="small" label={t('forgetThePedal')} onPress={() => onKey(null)} />}
      </View>
    </View>
  );
}
