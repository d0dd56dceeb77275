import type { TapeSheet } from '../core/bond/tapeSheet';
import type { Outline, Pt } from '../core/device/types';

const n = (v: number) => v.toFixed(3);
const text = (s: string) =>
  s.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`).replace(/[\u0000-\u0008\u000b-\u001f]/g, '');
const poly = (pts: readonly Pt[]) => pts.map(([x, y]) => `${n(x)},${n(y)}`).join(' ');

function outline(o: Outline): string {
  if (o.kind === 'disc') return `<circle cx="${n(o.c[0])}" cy="${n(o.c[1])}" r="${n(o.rMm)}"/>`;
  if (o.kind === 'polygon') return `<polygon points="${poly(o.pts)}"/>`;
  const [w, h] = [o.max[0] - o.min[0], o.max[1] - o.min[1]];
  return `<rect x="${n(o.min[0])}" y="${n(o.min[1])}" width="${n(w)}" height="${n(h)}" rx="${n(o.rMm)}"/>`;
}

/** Tape template at 1:1: one user unit is one millimetre. The long edge of a piece is its first side. */
export function tapeSvg(sheet: TapeSheet, title: string): string {
  const [w, h] = [n(sheet.widthMm), n(sheet.heightMm)];
  const [a, b] = sheet.scaleBar;
  return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${w}mm" height="${h}mm" viewBox="0 0 ${w} ${h}">
<title>${text(title)}</title>
<desc>1:1. ${sheet.cut.length} pieces, ${n(sheet.lengthMm)} mm of tape ${n(sheet.widthOfTapeMm)} mm wide. Print at 100 %, then measure the bar: 50 mm.</desc>
<g id="cover" fill="none" stroke="#14283a" stroke-width="0.2">${outline(sheet.cover)}</g>
<g id="laid" fill="none" stroke="#51626f" stroke-width="0.2">
${sheet.laid.map((p) => `<polygon points="${poly(p)}"/>`).join('\n')}
</g>
<g id="cut" fill="none" stroke="#14283a" stroke-width="0.2">
${sheet.cut.map((c) => `<polygon points="${poly(c.outline)}"><title>${c.label}: ${n(c.lengthMm)} mm</title></polygon>`).join('\n')}
</g>
<g id="scale" stroke="#14283a" stroke-width="0.4" fill="#14283a" font-family="sans-serif" font-size="3.5">
<path d="M${n(a[0])} ${n(a[1])}H${n(b[0])}M${n(a[0])} ${n(a[1] - 2)}v4M${n(b[0])} ${n(b[1] - 2)}v4" fill="none"/>
<text x="${n(b[0] + 3)}" y="${n(b[1] + 1)}" stroke="none">50 mm</text>
</g>
</svg>
`;
}
