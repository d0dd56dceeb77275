import { cornersOf, sheetMm, squares } from '../core/camera/target';

const n = (v: number) => v.toFixed(3);

/** The target at 1:1 for a sheet of 297 × 210 mm, with a bar to check the printer. */
export function targetSvg(): string {
  const { width, height } = sheetMm;
  return `<?xml version="1.0" encoding="UTF-8"?>
<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}">
<title>Target for camera covers</title>
<desc>1:1. Print black on matt white paper, lay it flat, light it evenly from both sides.</desc>
<rect width="${width}" height="${height}" fill="#fff"/>
<g fill="#000">
${squares
  .map(
    (s) =>
      `<polygon points="${cornersOf(s)
        .map((p) => `${n(p[0])},${n(p[1])}`)
        .join(' ')}"><title>${s.key}</title></polygon>`,
  )
  .join('\n')}
</g>
<g stroke="#000" stroke-width="0.4" fill="#000" font-family="sans-serif" font-size="3.5">
<path d="M113.500 182H163.500M113.500 180v4M163.500 180v4" fill="none"/>
<text x="166" y="183" stroke="none">50 mm</text>
</g>
</svg>
`;
}
