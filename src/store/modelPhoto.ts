import { z } from 'zod';

import { repository } from './shop';

/** A photo that lies under the plan of a model, in the plan's own millimetres: the shop's own, kept beside the model. */
const photoSchema = z.object({
  data: z.string().startsWith('data:image/jpeg;base64,').max(600_000),
  widthMm: z.number().min(20).max(400),
  lengthMm: z.number().min(40).max(500),
});
type ModelPhoto = z.infer<typeof photoSchema>;

const keyOf = (modelId: string) => `modelPhoto/${modelId}`;

export const writeModelPhoto = (modelId: string, photo: ModelPhoto | null): Promise<boolean> =>
  repository.writeExtra(keyOf(modelId), photo ? JSON.stringify(photo) : '');

/** Null: there is none, or what is there is none. */
export async function readModelPhoto(modelId: string): Promise<ModelPhoto | null> {
  const text = await repository.readExtra(keyOf(modelId)).catch(() => null);
  if (!text) return null;
  try {
    const read = photoSchema.safeParse(JSON.parse(text));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}
