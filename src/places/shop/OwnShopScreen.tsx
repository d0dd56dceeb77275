import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';

import { backupNow } from '@/bench-kit/backupNow';
import { useDemoDay } from '@/bench-kit/useDemoDay';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { demoWriter } from '@/store/dropped';
import { ownShop } from '@/store/ownShop';
import { Button, HoldButton } from '@/ui/Button';
import { Message, refused, type Told } from '@/ui/Message';
import { Txt } from '@/ui/Txt';
import { OwnSetup } from './OwnSetup';
import { useShopScreen } from './useShopScreen';
import { t } from '@/words/shop';

/** Out of the demo, where entries of one's own stand in it: what goes, a file of it first, and then an empty shop. */
export function OwnShopScreen() {
  const router = useRouter();
  const here = useShopScreen();
  const { shop } = here;
  const [told, setTold] = useState<Told | null>(null);
  const own = shop ? [...shop.jobs.values()].filter((l) => l.some((e) => e.writer !== demoWriter)).length : 0;
  const demo = useDemoDay() !== null;
  const failed = (e: unknown) => setTold(refused(e instanceof Error ? e.message : String(e)));
  return (
    <PlaceFrame
      title={t('ownShopTitle')}
      actions={
        demo ? (
          <>
            <View className="flex-1">
              <Button label={t('stayInDemo')} onPress={() => router.replace('/')} />
            </View>
            <View className="flex-[2]">
              <HoldButton label={t('startEmptyShop')} disabled={!shop} onPress={() => void ownShop().catch(failed)} />
            </View>
          </>
        ) : (
          <View className="flex-1">
            <Button kind="main" label={t('toTheBench')} onPress={() => router.replace('/')} />
          </View>
        )
      }
    >
      <Txt className="mb-3">
        {demo ? t('ownShopLead') : shop?.jobs.size ? t('setupLead') : `${t('ownShopDone')} ${t('setupLead')}`}
      </Txt>
      {demo && own ? (
        <>
          <Txt strong tone="caution" className="mb-2">
            {t('ownShopJobs', { count: own })}
          </Txt>
          <Button
            label={t('ownShopSave')}
            onPress={() => void backupNow().then((r) => setTold({ text: r.text, bad: false }), failed)}
          />
        </>
      ) : null}
      <Message told={told ?? here.message} />
      {demo ? (
        <Txt tone="ink2" className="mt-3">
          {t('ownShopNext')}
        </Txt>
      ) : (
        <OwnSetup here={here} />
      )}
    </PlaceFrame>
  );
}
