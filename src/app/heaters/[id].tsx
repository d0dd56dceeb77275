import { useLocalSearchParams } from 'expo-router';

import { CalibrateScreen } from '@/places/heaters/CalibrateScreen';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <CalibrateScreen id={id} />;
}
