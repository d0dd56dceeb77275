import { useLocalSearchParams } from 'expo-router';

import { DeviceScreen } from '@/places/shelf/DeviceScreen';

export default function Model() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <DeviceScreen key={id} id={id} />;
}
