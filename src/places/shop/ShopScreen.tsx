import { Link } from 'expo-router';
import { View } from 'react-native';

import { exportShopNow } from '@/bench-kit/exportShop';
import { Button } from '@/ui/Button';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { MoneySettings } from './MoneySettings';
import { Restore } from './Restore';
import { useShopScreen } from './useShopScreen';
import { ShopMessages, ShopLinks, HowItShows, WhoAndWhen, HowItWorks, RoomAir } from './ShopParts';
import { t } from '@/words/shop';

export function ShopScreen(p: { loadDemo: () => Promise<void> }) {
  const here = useShopScreen(p);
  const { setMessage, s, put, loadDemo } = here;
  return (
    <PlaceFrame title={t('shop')} line={t('peopleUnitsBenchFiguresFiles')}>
      <ShopMessages here={here} />
      <View className="gap-3 mb-4">
        <Button label={t('exportEverything')} onPress={() => void exportShopNow()} />
        <Restore tell={setMessage} />
      </View>
      <ShopLinks />
      <HowItShows here={here} />
      <WhoAndWhen here={here} />
      <HowItWorks here={here} />
      <Link href="/heaters" className="font-body text-m text-ink underline py-3">
        {t('heatersAndTheirCalibration')}
      </Link>
      <Link href="/stock" className="font-body text-m text-ink underline py-3">
        {t('stockTapeLiquidsRingsClipsShelf')}
      </Link>
      <Link href="/adhesives" className="font-body text-m text-ink underline py-3">
        {t('adhesivesAndWhatWasSeenOf')}
      </Link>
      <RoomAir here={here} />
      <MoneySettings
        settings={s}
        onChange={(money) => void put({ money })}
        onRate={(ratePerH) => void put({ ratePerH })}
      />
      <View className="mt-4">
        <Button
          label={t('loadTheDemoShop')}
          onPress={() =>
            void loadDemo().then(
              () => setMessage({ text: t('theDemoJobsStandBesideYour'), bad: false }),
              (e: unknown) => setMessage({ text: e instanceof Error ? e.message : t('notLoaded'), bad: true }),
            )
          }
        />
      </View>
    </PlaceFrame>
  );
}
