import { z } from 'zod';

import type { Device, ModelPicture } from '@/core/device/types';
import { maxPhotoChars, photoPattern } from '@/model/files';
import { newId } from './ids';
import { repository } from './shop';

/** A photo that lies under the plan of a model, in the plan's own millimetres. */
const photoSchema = z.object({
  data: z.string().max(maxPhotoChars).regex(photoPattern),
  widthMm: z.number().min(10).max(500),
  lengthMm: z.number().min(10).max(500),
});
type PlacedPhoto = z.infer<typeof photoSchema>;

const keyOf = (name: string) => `modelPhoto/${name}`;

/** A photo of a model that is not saved yet, by the name of its draft; null takes it away. */
export const writeDraftPhoto = (name: string, photo: PlacedPhoto | null): Promise<boolean> =>
  repository.writeExtra(keyOf(name), photo ? JSON.stringify(photo) : '');

/** Null: there is none, or what is there is none. Models of before kept the one of their back like this too, by their id. */
export async function readDraftPhoto(name: string): Promise<PlacedPhoto | null> {
  const text = await repository.readExtra(keyOf(name)).catch(() => null);
  if (!text) return null;
  try {
    const read = photoSchema.safeParse(JSON.parse(text));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}

/** Keeps a picture under a name of its own. @throws StorageFullError, RefusedError */
export async function copyOfPhoto(data: string): Promise<string> {
  const id = newId();
  await repository.savePhoto(id, data);
  return id;
}

/** Keeps a photo and says where it belongs: to be written into the model. @throws StorageFullError, RefusedError */
export async function keepModelPhoto(
  photo: PlacedPhoto,
  of: Pick<ModelPicture, 'face' | 'inside'>,
): Promise<ModelPicture> {
  const id = await copyOfPhoto(photo.data);
  return { id, ...of, widthMm: photo.widthMm, lengthMm: photo.lengthMm };
}

/** A model with a photo instead of the one that lay there. */
export const withPicture = (device: Device, picture: ModelPicture): Device => ({
  ...device,
  pictures: [...(device.pictures ?? []).filter((p) => p.face !== picture.face || p.inside !== picture.inside), picture],
});
