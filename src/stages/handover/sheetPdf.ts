import fontkit from '@pdf-lib/fontkit';
import { PDFDocument, rgb, type PDFFont, type PDFPage } from 'pdf-lib';

import type { Language } from '@/model/languages';
import type { SheetSection } from './sheet';
import { lineStyle, type SheetPlan } from './sheetPlans';
import type { UntilBar } from './untilBar';
import { t as tr } from '@/words/handover';
import { speaking } from '@/words/language';

export interface SheetDoc {
  title: string;
  sub: string;
  sections: readonly SheetSection[];
  plans: readonly SheetPlan[];
  /** who hands it over; null: nothing was set */
  head?: { name: string; contact: string } | null;
  /** what may be done when; null: nothing was closed, or it is over */
  until?: UntilBar | null;
  /** JPEGs as data addresses, with what they are: before, after */
  photos?: readonly { data: string; label: string }[];
  /** a signature as it was drawn, and the name under it */
  signature: { path: string; name: string } | null;
}

export interface SheetFonts {
  regular: ArrayBuffer | Uint8Array;
  bold: ArrayBuffer | Uint8Array;
}

/** A4 upright, points. */
const page = { width: 595.28, height: 841.89, margin: 48 };
const planWidth = 132;
const gap = 18;
const sizes = [10.5, 10, 9.5, 9, 8.5, 8, 7.5, 7, 6.5];

/** Breaks a text into lines that fit; a word that is longer than a line is cut. */
export function wrapped(text: string, width: number, measure: (s: string) => number): string[] {
  const out: string[] = [];
  let line = '';
  for (const word of text.split(/\s+/).filter(Boolean)) {
    let rest = word;
    while (measure(rest) > width) {
      let n = rest.length - 1;
      while (n > 1 && measure(rest.slice(0, n)) > width) n--;
      if (line) out.push(line);
      line = '';
      out.push(rest.slice(0, n));
      rest = rest.slice(n);
    }
    const next = line ? `${line} ${rest}` : rest;
    if (measure(next) > width) {
      out.push(line);
      line = rest;
    } else line = next;
  }
  if (line) out.push(line);
  return out;
}

/** Signs that the font has not are left out, control signs too: a name from somewhere else never breaks the sheet. */
const shown = (text: string, has: Set<number>) =>
  [...text].map((c) => (c === '\n' ? ' ' : has.has(c.codePointAt(0)!) ? c : '?')).join('');

/** Of the bar with the instants under it, points. */
const barHeight = 30;

interface BarRoom {
  /** from the top of the page, points */
  top: number;
  /** of the letters beside it */
  size: number;
  width: number;
  ink: ReturnType<typeof rgb>;
  font: PDFFont;
  shown: (text: string) => string;
}

/** What may be done when: dark while it is young, half while it gains, open once it is bonded. */
function putBar(sheet: PDFPage, bar: UntilBar, { top, size, width, ink, font, shown: say }: BarRoom): void {
  const high = 16;
  const y = page.height - top - high;
  let x = page.margin;
  const small = Math.min(9, size);
  for (const p of bar.parts) {
    const w = p.share * width;
    sheet.drawRectangle({
      x,
      y,
      width: w,
      height: high,
      borderColor: ink,
      borderWidth: 0.8,
      ...(p.kind === 'careful' ? { color: ink } : p.kind === 'usual' ? { color: rgb(0.84, 0.87, 0.9) } : {}),
    });
    sheet.drawText(say(p.text), {
      x: x + 4,
      y: y + 5,
      size: small,
      font,
      color: p.kind === 'careful' ? rgb(1, 1, 1) : ink,
    });
    x += w;
    if (p.until) {
      const text = say(p.until);
      sheet.drawText(text, {
        x: x - font.widthOfTextAtSize(text, small) / 2,
        y: y - small - 2,
        size: small,
        font,
        color: ink,
      });
    }
  }
}

interface PhotoRoom {
  /** from the top of the page, points */
  top: number;
  bottom: number;
  font: PDFFont;
  ink: ReturnType<typeof rgb>;
  shown: (text: string) => string;
}

/** Photos under the plans, as large as what is left of the column lets them be. One that is broken is left out, not the sheet. */
async function putPhotos(
  pdf: PDFDocument,
  sheet: PDFPage,
  photos: NonNullable<SheetDoc['photos']>,
  { top, bottom, font, ink, shown: say }: PhotoRoom,
): Promise<void> {
  const each = (bottom - top) / Math.max(1, photos.length) - 20;
  if (each < 40) return;
  const x = page.width - page.margin - planWidth;
  let at = top;
  for (const { data, label } of photos) {
    const image = await pdf.embedJpg(data).catch(() => null);
    if (!image) continue;
    const scale = Math.min(planWidth / image.width, each / image.height);
    sheet.drawText(say(label), { x, y: page.height - at - 9, size: 9, font, color: ink });
    sheet.drawImage(image, {
      x,
      y: page.height - at - 14 - image.height * scale,
      width: image.width * scale,
      height: image.height * scale,
    });
    at += 14 + image.height * scale + 6;
  }
}

/**
 * The hand-over sheet on one page. The size of the letters gives way until it fits.
 * @throws Error when it does not fit at the smallest size: a sheet that loses a line is no sheet
 */
export async function sheetPdf(doc: SheetDoc, fonts: SheetFonts, language: Language = 'en'): Promise<Uint8Array> {
  const pdf = await PDFDocument.create();
  pdf.setLanguage(language);
  pdf.registerFontkit(fontkit);
  const regular = await pdf.embedFont(fonts.regular, { subset: true });
  const bold = await pdf.embedFont(fonts.bold, { subset: true });
  const has = new Set(regular.getCharacterSet());
  pdf.setTitle(shown(doc.title, has));
  const sheet = pdf.addPage([page.width, page.height]);
  const ink = rgb(0.078, 0.157, 0.227);
  const photos = doc.photos ?? [];
  const width = page.width - 2 * page.margin - (doc.plans.length || photos.length ? planWidth + gap : 0);
  // widths go with the size of the letters: a piece of text is measured once, whatever size is tried
  const known = new Map([regular, bold].map((f) => [f, new Map<string, number>()]));
  const widthOf = (font: PDFFont, text: string, size: number) => {
    const kept = known.get(font)!;
    let at1 = kept.get(text);
    if (at1 === undefined) kept.set(text, (at1 = font.widthOfTextAtSize(text, 1)));
    return at1 * size;
  };
  const lay = (size: number) => {
    const lines: { text: string; font: PDFFont; size: number; y: number }[] = [];
    let y = page.margin;
    let bar: { top: number; size: number } | null = null;
    const put = (text: string, font: PDFFont, s: number, space: number) => {
      for (const l of wrapped(shown(text, has), width, (x) => widthOf(font, x, s))) {
        y += s * 1.32;
        lines.push({ text: l, font, size: s, y });
      }
      y += space;
    };
    if (doc.head?.name) put(doc.head.name, bold, size * 1.1, 0);
    if (doc.head?.contact) put(doc.head.contact, regular, size, 0);
    if (doc.head) y += size;
    put(doc.title, bold, size * 1.5, 0);
    put(doc.sub, regular, size, size * 0.6);
    for (const s of doc.sections) {
      put(s.title, bold, size * 1.1, 0);
      if (s.until && doc.until) {
        bar = { top: y + size * 0.4, size };
        y += barHeight + size * 0.9;
      }
      for (const l of s.lines) put(l, regular, size, size * 0.2);
      y += size * 0.6;
    }
    return { lines, end: y, bar: bar as { top: number; size: number } | null };
  };
  const room = page.height - page.margin - 84;
  const fitting = sizes.map(lay).find((l) => l.end <= room);
  if (!fitting)
    throw new Error(tr('sheetTooLongForOnePage', { reduce: doc.sections.reduce((n, s) => n + s.lines.length, 0) }));
  for (const l of fitting.lines)
    sheet.drawText(l.text, { x: page.margin, y: page.height - l.y, size: l.size, font: l.font, color: ink });
  if (fitting.bar && doc.until)
    putBar(sheet, doc.until, { ...fitting.bar, width, ink, font: regular, shown: (t) => shown(t, has) });
  let top = page.margin;
  for (const p of doc.plans) {
    const { min, max } = p.box;
    const scale = Math.min(planWidth / (max[0] - min[0]), 230 / (max[1] - min[1]));
    const x = page.width - page.margin - planWidth;
    sheet.drawText(shown(p.title, has), { x, y: page.height - top - 9, size: 9, font: bold, color: ink });
    const y = page.height - top - 14;
    for (const l of p.lines)
      sheet.drawSvgPath(l.d, {
        x: x - min[0] * scale,
        y: y + min[1] * scale,
        scale,
        borderColor: ink,
        borderWidth: lineStyle[l.kind].width,
        ...(lineStyle[l.kind].dash ? { borderDashArray: lineStyle[l.kind].dash! } : {}),
      });
    for (const t of p.texts) {
      const text = shown(t.text, has);
      const size = 5.2 * scale;
      sheet.drawText(text, {
        x: x + (t.at[0] - min[0]) * scale - regular.widthOfTextAtSize(text, size) / 2,
        y: y - (t.at[1] - min[1] + 1.6) * scale,
        size,
        font: regular,
        color: ink,
      });
    }
    top += 14 + (max[1] - min[1]) * scale + 12;
  }
  await putPhotos(pdf, sheet, photos, { top, bottom: room, font: bold, ink, shown: (t) => shown(t, has) });
  const foot = page.margin + 22;
  sheet.drawLine({
    start: { x: page.margin, y: foot },
    end: { x: page.margin + 220, y: foot },
    color: ink,
    thickness: 0.7,
  });
  sheet.drawText(
    shown(
      speaking(language, () => (doc.signature ? tr('received3', { name: doc.signature.name }) : tr('received4'))),
      has,
    ),
    {
      x: page.margin,
      y: foot - 12,
      size: 9,
      font: regular,
      color: ink,
    },
  );
  if (doc.signature?.path)
    sheet.drawSvgPath(doc.signature.path, {
      x: page.margin,
      y: foot + 44,
      scale: 0.34,
      borderColor: ink,
      borderWidth: 2.4,
    });
  return pdf.save();
}
