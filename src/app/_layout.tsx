import '../../global.css';
import '@/model/zodConfig';

import { AtkinsonHyperlegibleMono_500Medium } from '@expo-google-fonts/atkinson-hyperlegible-mono/500Medium';
import { AtkinsonHyperlegibleMono_700Bold } from '@expo-google-fonts/atkinson-hyperlegible-mono/700Bold';
import { AtkinsonHyperlegibleNext_400Regular } from '@expo-google-fonts/atkinson-hyperlegible-next/400Regular';
import { AtkinsonHyperlegibleNext_700Bold } from '@expo-google-fonts/atkinson-hyperlegible-next/700Bold';
import { QueryClientProvider } from '@tanstack/react-query';
import { useFonts } from 'expo-font';
import { Slot } from 'expo-router';
import { useEffect } from 'react';
import { View } from 'react-native';

import { seedOnFirstStart } from '@/demo/firstStart';
import { startClock } from '@/store/clock';
import { registerServiceWorker } from '@/store/registerServiceWorker';
import { queryClient, useSettings } from '@/store/shop';
import { beginWhereJoined } from '@/store/sync/begin';
import { RouteBoundary } from '@/bench-kit/PageBoundary';
import { BackupReminder } from '@/bench-kit/BackupReminder';
import { UpdateNotice } from '@/bench-kit/UpdateNotice';
import { StorageNotice } from '@/bench-kit/StorageNotice';
import { Spoken } from '@/ui/Spoken';
import { ThemeProvider } from '@/ui/theme';

registerServiceWorker();
startClock();

export default function Layout() {
  const [loaded, error] = useFonts({
    Next_400: AtkinsonHyperlegibleNext_400Regular,
    Next_700: AtkinsonHyperlegibleNext_700Bold,
    Mono_500: AtkinsonHyperlegibleMono_500Medium,
    Mono_700: AtkinsonHyperlegibleMono_700Bold,
  });
  useEffect(() => {
    // a customer's device opens the test page only: nothing of a shop is put there
    const at = window.location?.pathname;
    // and who comes to join a shop gets that one
    if (at !== '/device-test' && at !== '/join') void seedOnFirstStart().then(beginWhereJoined);
  }, []);
  if (!loaded && !error) return null;
  return (
    <QueryClientProvider client={queryClient}>
      <Themed />
    </QueryClientProvider>
  );
}

function Themed() {
  const { theme, touch, language } = useSettings();
  return (
    <ThemeProvider choice={theme} touch={touch}>
      <View className="flex-1 bg-paper">
        <Spoken language={language}>
          <StorageNotice />
          <UpdateNotice />
          <BackupReminder />
          <RouteBoundary>
            <Slot />
          </RouteBoundary>
        </Spoken>
      </View>
    </ThemeProvider>
  );
}
