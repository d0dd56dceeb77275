import { backupDue, backupFigures, backupName, backupsIn, ownEntries, readBackup, writeBackup } from './backup';
import { demoJobs } from '../demo/shop';

const day = 86_400_000;
const t0 = new Date(2026, 3, 14, 13, 2).getTime();

it('reminds by days and by entries, never of the demo, and leaves a shop that has just begun in peace', () => {
  const demo = new Map(demoJobs(t0).map((l) => [l[0]!.jobId, l]));
  expect(ownEntries(demo)).toBe(0);
  expect(backupDue(null, 0, t0)).toBeNull();
  expect(backupDue(null, backupFigures.first - 1, t0)).toBeNull();
  expect(backupDue(null, backupFigures.first, t0)).toEqual({ days: null, entries: backupFigures.first });
  const last = { at: t0, entries: 100, to: 'x' };
  expect(backupDue(last, 101, t0 + 6.9 * day)).toBeNull();
  expect(backupDue(last, 101, t0 + 7 * day)).toEqual({ days: 7, entries: 1 });
  expect(backupDue(last, 100, t0 + 70 * day)).toBeNull();
  expect(backupDue(last, 300, t0 + day)).toEqual({ days: 1, entries: 200 });
});

/** A folder in memory, as File System Access gives one. */
function folder(spoil: (text: string) => string = (t) => t) {
  const files = new Map<string, string>();
  return {
    files,
    name: 'Backups',
    permission: 'granted',
    async queryPermission() {
      return this.permission;
    },
    async requestPermission() {
      return this.permission;
    },
    async getFileHandle(name: string) {
      return {
        getFile: async () => ({ text: async () => files.get(name) ?? '' }) as Blob,
        createWritable: async () => {
          let text = '';
          return {
            write: async (t: string) => void (text += t),
            close: async () => void files.set(name, spoil(text)),
          };
        },
      };
    },
    async *keys() {
      yield* files.keys();
    },
  };
}

it('a dated file is written, read back and compared; a changed one is no backup', async () => {
  const f = folder();
  const name = backupName(t0);
  expect(name).toBe('northcove-backup-2026-04-14-1302.json');
  await writeBackup(f, name, '{"a":1}');
  f.files.set('holiday.json', '{}');
  await writeBackup(f, backupName(t0 + day), '{"a":2}');
  expect(await backupsIn(f)).toEqual([backupName(t0 + day), name]);
  expect(await readBackup(f, name)).toBe('{"a":1}');
  await expect(
    writeBackup(
      folder((t) => t.slice(0, -1)),
      name,
      '{"a":1}',
    ),
  ).rejects.toThrow(/not what was written/);
});

it('a folder that may not be written to is named', async () => {
  const f = folder();
  f.permission = 'denied';
  await expect(writeBackup(f, 'x', 'y')).rejects.toThrow('the folder Backups may not be written to');
});
