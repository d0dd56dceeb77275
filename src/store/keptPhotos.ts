import { maxPhotoChars, photoPattern } from '@/model/files';
import { RefusedError } from './storageErrors';
import type { Storage } from './stored';

/** Photos in the storage, by their id. */
export class KeptPhotos {
  /** @param put writes entries together. @throws StorageFullError */
  constructor(
    private readonly storage: Storage,
    private readonly put: (entries: Record<string, string>) => Promise<void>,
  ) {}

  /** @throws RefusedError, StorageFullError */
  async save(id: string, data: string): Promise<void> {
    gatePhoto(id, data);
    await this.put({ [`photo/${id}`]: data });
  }

  /** Pictures by id; those that are not there are left out. */
  async read(ids: readonly string[]): Promise<Record<string, string>> {
    if (!ids.length) return {};
    const values = await this.storage.getMany(ids.map((id) => `photo/${id}`));
    return Object.fromEntries(
      ids.flatMap((id) => {
        const v = values[`photo/${id}`];
        return v && photoPattern.test(v) ? [[id, v]] : [];
      }),
    );
  }

  async drop(id: string): Promise<void> {
    await this.storage.removeItem(`photo/${id}`);
  }
}

/** @throws RefusedError that says what is allowed */
export function gatePhoto(id: string, data: string): void {
  if (!/^[\w-]{1,80}$/.test(id)) throw new RefusedError('photo: its name is 1 to 80 letters and digits');
  if (data.length > maxPhotoChars || !photoPattern.test(data))
    throw new RefusedError(`photo: a JPEG of up to ${Math.round((maxPhotoChars * 3) / 4000)} KB`);
}
