import { readFileSync } from 'node:fs';
import path from 'node:path';

import { PDFDocument } from 'pdf-lib';

import { demoJobs, demoSettings } from '@/demo/shop';
import { foldJob } from '@/model/fold';
import { sheetOf } from './sheet';
import { sheetPdf, wrapped, type SheetDoc } from './sheetPdf';
import { sheetPlans } from './sheetPlans';

const font = (name: string) =>
  readFileSync(path.join(__dirname, '../../../node_modules/@expo-google-fonts/atkinson-hyperlegible-next', name));
const fonts = {
  regular: font('400Regular/AtkinsonHyperlegibleNext_400Regular.ttf'),
  bold: font('700Bold/AtkinsonHyperlegibleNext_700Bold.ttf'),
};

// letters are cut down to those that are used, which takes its time
jest.setTimeout(120_000);

const t0 = Date.UTC(2026, 3, 14, 13);
const job = foldJob(demoJobs(t0)[4]!)!;
const doc = (over: Partial<SheetDoc> = {}): SheetDoc => ({
  title: `${job.label} · ${job.device.name}`,
  sub: 'locker 9',
  sections: sheetOf(job, demoSettings, t0),
  plans: sheetPlans(job),
  signature: null,
  ...over,
});

/** Pages of a PDF, counted in its own tree. */
const pages = async (bytes: Uint8Array) => (await PDFDocument.load(bytes)).getPageCount();

it('is one page with its plans; a longer one has smaller letters and still one page', async () => {
  const plain = await sheetPdf(doc(), fonts);
  expect(Buffer.from(plain.slice(0, 5)).toString()).toBe('%PDF-');
  expect(await pages(plain)).toBe(1);
  const many = Array.from(
    { length: 45 },
    (_, i) => `Line ${i} of what was found, with some words more so that it is long.`,
  );
  const long = await sheetPdf(doc({ sections: [{ title: 'Found', lines: many }] }), fonts);
  expect(await pages(long)).toBe(1);
});

/** One grey pixel as a JPEG. */
const pixel =
  'data:image/jpeg;base64,/9j/4AAQSkZJRgABAQEASABIAAD/2wBDAP//////////////////////////////////////////////////////////////////////////////////////wgALCAABAAEBAREA/8QAFBABAAAAAAAAAAAAAAAAAAAAAP/aAAgBAQABPxA=';

it('photos of before and after stand beside it, still on one page; a broken one is left out and not the sheet', async () => {
  const photos = [
    { data: pixel, label: 'Before' },
    { data: 'data:image/jpeg;base64,AAAA', label: 'After' },
  ];
  const [plain, withPhotos] = [await sheetPdf(doc(), fonts), await sheetPdf(doc({ photos }), fonts)];
  expect(await pages(withPhotos)).toBe(1);
  const images = (bytes: Uint8Array) => Buffer.from(bytes).toString('latin1').split('/DCTDecode').length - 1;
  expect([images(plain), images(withPhotos)]).toEqual([0, 1]);
});

it('refuses what cannot be on one page, rather than losing a line', async () => {
  const lines = Array.from({ length: 400 }, (_, i) => `Line ${i}`);
  await expect(sheetPdf(doc({ sections: [{ title: 'Found', lines }] }), fonts)).rejects.toThrow(
    'sheet: too long for one page, 400 lines',
  );
});

it('signs that the letters do not have become question marks, and a signature is drawn', async () => {
  const bytes = await sheetPdf(
    doc({ sub: 'locker \u{1F6A2}\n漢', signature: { path: 'M0 0 L100 40', name: 'A. Tarn' } }),
    fonts,
  );
  expect(bytes.length).toBeGreaterThan(10_000);
});

it('breaks lines by width; a word longer than a line is cut, none is lost', () => {
  const measure = (s: string) => s.length;
  expect(wrapped('one two three', 7, measure)).toEqual(['one two', 'three']);
  expect(wrapped('abcdefghijkl mn', 5, measure)).toEqual(['abcde', 'fghij', 'kl mn']);
  expect(wrapped('', 5, measure)).toEqual([]);
  const text = 'the quick brown fox jumps over supercalifragilistic dogs';
  expect(wrapped(text, 8, measure).join('').replace(/ /g, '')).toBe(text.replace(/ /g, ''));
});

it('plans show what was noted and nothing else', () => {
  const names = (j: typeof job) => sheetPlans(j).map((p) => p.title);
  expect(names(job)).toEqual(['Bonded', 'Measured']);
  const shattered = foldJob(demoJobs(t0).find((l) => l[0]!.jobId === 'demo-0140')!)!;
  expect(names(shattered)).toEqual(['Found']);
  expect(sheetPlans(job)[1]!.texts).toHaveLength(16);
});
