import { Link, type Href } from 'expo-router';
import { View } from 'react-native';

import { exportShopNow } from '@/bench-kit/exportShop';
import { Button } from '@/ui/Button';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { Card } from './Card';
import { Groups, type Group } from './Groups';
import { MoneySettings } from './MoneySettings';
import { Restore } from './Restore';
import { useShopScreen } from './useShopScreen';
import { ShopMessages, ShopLinks, HowItShows, WhoAndWhen, HowItWorks, RoomAir } from './ShopParts';
import { t } from '@/words/shop';

export function ShopScreen({ loadDemo }: { loadDemo: () => Promise<void> }) {
  const here = useShopScreen();
  const { setMessage, s, put } = here;
  const groups: Group[] = [
    {
      id: 'people',
      name: t('groupPeople'),
      content: <WhoAndWhen here={here} />,
    },
    {
      id: 'bench',
      name: t('groupBench'),
      content: (
        <>
          <PageLink to={'/devices' as Href} text={t('devicesPage')} />
          <PageLink to={'/practice' as Href} text={t('practicePage')} />
          <PageLink to="/heaters" text={t('heatersAndTheirCalibration')} />
          <PageLink to="/stock" text={t('stockTapeLiquidsRingsClipsShelf')} />
          <PageLink to="/adhesives" text={t('adhesivesAndWhatWasSeenOf')} />
          <RoomAir here={here} />
        </>
      ),
    },
    { id: 'look', name: t('groupLook'), content: <HowItShows here={here} /> },
    { id: 'work', name: t('groupWork'), content: <HowItWorks here={here} /> },
    {
      id: 'money',
      name: t('groupMoney'),
      content: (
        <MoneySettings
          settings={s}
          onChange={(money) => void put({ money })}
          onRate={(ratePerH) => void put({ ratePerH })}
        />
      ),
    },
    { id: 'card', name: t('groupCard'), content: <Card settings={s} onChange={(card) => void put({ card })} /> },
    {
      id: 'files',
      name: t('groupFiles'),
      content: (
        <View className="gap-3">
          <Button label={t('exportEverything')} onPress={() => void exportShopNow()} />
          <Restore tell={setMessage} />
        </View>
      ),
    },
    { id: 'records', name: t('groupRecords'), content: <ShopLinks /> },
    {
      id: 'demo',
      name: t('groupDemo'),
      content: (
        <>
          <Button
            label={t('loadTheDemoShop')}
            onPress={() =>
              void loadDemo().then(
                () => setMessage({ text: t('theDemoJobsStandBesideYour'), bad: false }),
                (e: unknown) => setMessage({ text: e instanceof Error ? e.message : t('notLoaded'), bad: true }),
              )
            }
          />
          <PageLink to="/own" text={t('ownShopTitle')} />
        </>
      ),
    },
  ];
  return (
    <PlaceFrame help="shop" full title={t('shop')} line={t('peopleUnitsBenchFiguresFiles')}>
      <ShopMessages here={here} />
      <Groups groups={groups} />
    </PlaceFrame>
  );
}

const PageLink = ({ to, text }: { to: Href; text: string }) => (
  <Link href={to} className="font-body text-m text-ink underline py-3">
    {text}
  </Link>
);
