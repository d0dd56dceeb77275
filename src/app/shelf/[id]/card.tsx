import { useLocalSearchParams } from 'expo-router';

import { ModelCard } from '@/places/shelf/CardScreen';

export default function Page() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <ModelCard key={id} id={id} />;
}
