import { useLocalSearchParams } from 'expo-router';

import { CalibrateScreen } from '@/features/heaters/CalibrateScreen';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <CalibrateScreen id={id} />;
}
