import { View } from 'react-native';

import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { version } from '@/store/version';
import { Txt } from '@/ui/Txt';
import { t } from '@/words/help';

/** What each version brought, the newest first. */
export function NewsScreen() {
  const news = [
    { of: '0.3', lines: [t('v3a'), t('v3b'), t('v3c'), t('v3d')] },
    { of: '0.2', lines: [t('v2a'), t('v2b'), t('v2c'), t('v2d'), t('v2e'), t('v2f')] },
    { of: '0.1', lines: [t('v1a')] },
  ];
  return (
    <PlaceFrame title={t('whatChanged')} line={t('version', { version })}>
      {news.map((n) => (
        <View key={n.of} className="mt-3">
          <Txt strong level={2}>
            {t('version', { version: n.of })}
          </Txt>
          {n.lines.map((l) => (
            <Txt key={l} className="mt-1">
              {l}
            </Txt>
          ))}
        </View>
      ))}
    </PlaceFrame>
  );
}
