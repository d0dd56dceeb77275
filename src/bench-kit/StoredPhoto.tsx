import { useQuery } from '@tanstack/react-query';
import { Image } from 'react-native';

import { repository } from '@/store/shop';
import { askOthersForPhoto } from '@/store/sync/begin';

/** A small picture of what is kept; nothing where it is not in this browser, until another device gives it. */
export function StoredPhoto({ id, label, sizePx = 72 }: { id: string; label: string; sizePx?: number }) {
  const { data } = useQuery({
    queryKey: ['photo', id],
    queryFn: async () => {
      const data = (await repository.readPhotos([id]))[id] ?? null;
      if (data === null) void askOthersForPhoto(id);
      return data;
    },
  });
  return data ? (
    <Image source={{ uri: data }} aria-label={label} style={{ width: sizePx, height: sizePx }} resizeMode="cover" />
  ) : null;
}
