import { useState } from 'react';
import { View } from 'react-native';

import { Button } from '@/ui/Button';
import { TextBox } from '@/ui/TextBox';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/devices';
import type { useDevices } from './useDevices';

/** What the others call this device, and whether it hears them. */
export function OwnName({ here }: { here: ReturnType<typeof useDevices> }) {
  const [name, setName] = useState<string | null>(null);
  const shown = name ?? here.view?.me.name ?? here.name;
  return (
    <View>
      <Txt strong size="l" level={2}>
        {t('thisDevice')}
      </Txt>
      {here.belongs ? (
        <Txt tone={here.view?.up ? 'ink' : 'caution'} className="mb-2">
          {here.elsewhere ? t('elsewhere') : here.view?.up ? t('connected') : t('notConnected')}
        </Txt>
      ) : null}
      <Txt size="s" tone="ink2">
        {t('itsName')}
      </Txt>
      <View className="flex-row flex-wrap items-center gap-2">
        <TextBox
          aria-label={t('itsName')}
          value={shown}
          maxLength={60}
          onChangeText={setName}
          className="flex-1 min-w-[180px] max-w-[400px]"
        />
        <Button
          kind="small"
          label={t('rename')}
          disabled={name === null || name.trim() === (here.view?.me.name ?? '')}
          onPress={() => void here.rename(shown.trim()).then((done) => done && setName(null))}
        />
      </View>
    </View>
  );
}
