import { Link } from 'expo-router';
import { View } from 'react-native';

import { exportShopNow } from '@/bench-kit/exportShop';
import { Button } from '@/ui/Button';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { MoneySettings } from './MoneySettings';
import { Restore } from './Restore';
import { useShopScreen } from './useShopScreen';
import { ShopMessages, ShopLinks, HowItShows, WhoAndWhen, HowItWorks, RoomAir } from './ShopParts';

export function ShopScreen(p: { loadDemo: () => Promise<void> }) {
  const here = useShopScreen(p);
  const { setMessage, s, put, loadDemo } = here;
  return (
    <PlaceFrame title="Shop" line="people, units, bench figures, files">
      <ShopMessages here={here} />
      <View className="gap-3 mb-4">
        <Button label="Export everything" onPress={() => void exportShopNow()} />
        <Restore tell={setMessage} />
      </View>
      <ShopLinks />
      <HowItShows here={here} />
      <WhoAndWhen here={here} />
      <HowItWorks here={here} />
      <Link href="/heaters" className="font-body text-m text-ink underline py-3">
        Heaters and their calibration
      </Link>
      <Link href="/stock" className="font-body text-m text-ink underline py-3">
        Stock: tape, liquids, rings, clips, shelf, ways of bonding
      </Link>
      <Link href="/adhesives" className="font-body text-m text-ink underline py-3">
        Adhesives and what was seen of them
      </Link>
      <RoomAir here={here} />
      <MoneySettings
        settings={s}
        onChange={(money) => void put({ money })}
        onRate={(ratePerH) => void put({ ratePerH })}
      />
      <View className="mt-4">
        <Button
          label="Load the demo shop"
          onPress={() =>
            void loadDemo().then(
              () => setMessage({ text: 'The demo jobs stand beside your own.', bad: false }),
              (e: unknown) => setMessage({ text: e instanceof Error ? e.message : 'not loaded', bad: true }),
            )
          }
        />
      </View>
    </PlaceFrame>
  );
}
