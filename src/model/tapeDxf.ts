import { DxfWriter, LWPolylineFlags, point2d, point3d, Units } from '@tarikjabiri/dxf';

import type { TapeSheet } from '../core/bond/tapeSheet';
import { polygonOf } from '../core/device/polygon';
import type { Pt } from '../core/device/types';

/** The same sheet for a tape cutter: mm, y up. Layers CUT (what the knife follows), LAID, COVER and SCALE. */
export function tapeDxf(sheet: TapeSheet): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  const colours = { CUT: 1, LAID: 8, COVER: 7, SCALE: 3 };
  for (const [name, colour] of Object.entries(colours)) dxf.addLayer(name, colour, 'CONTINUOUS');
  // a drawing's y grows upward
  const up = ([x, y]: Pt): Pt => [x, sheet.heightMm - y];
  const closed = (layer: string, pts: readonly Pt[]) => {
    dxf.setCurrentLayerName(layer);
    dxf.addLWPolyline(
      pts.map((p) => ({ point: point2d(...up(p)) })),
      { flags: LWPolylineFlags.Closed },
    );
  };
  for (const c of sheet.cut) closed('CUT', c.outline);
  for (const p of sheet.laid) closed('LAID', p);
  closed('COVER', polygonOf(sheet.cover, 16));
  dxf.setCurrentLayerName('SCALE');
  const [a, b] = sheet.scaleBar;
  dxf.addLine(point3d(...up(a)), point3d(...up(b)));
  return dxf.stringify();
}
