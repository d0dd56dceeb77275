import type { Storage } from '../src/store/stored';

/** AsyncStorage in memory, with the faults that real storage has. */
export class MemoryStorage implements Storage {
  readonly map = new Map<string, string>();
  full = false;
  /** refuses the writes for which it answers true */
  refuses: (keys: string[]) => boolean = () => false;
  /** waits before a write is done */
  delay: () => Promise<void> = async () => {};

  private async write(entries: Record<string, string>): Promise<void> {
    const refused = this.full || this.refuses(Object.keys(entries));
    await this.delay();
    if (refused) throw new Error('quota exceeded');
    for (const [k, v] of Object.entries(entries)) this.map.set(k, v);
  }
  getItem = async (k: string) => this.map.get(k) ?? null;
  setItem = (k: string, v: string) => this.write({ [k]: v });
  setMany = (entries: Record<string, string>) => this.write(entries);
  removeItem = async (k: string) => void this.map.delete(k);
  removeMany = async (keys: string[]) => keys.forEach((k) => this.map.delete(k));
  getMany = async (keys: string[]) => Object.fromEntries(keys.map((k) => [k, this.map.get(k) ?? null]));
  getAllKeys = async () => [...this.map.keys()];
}
