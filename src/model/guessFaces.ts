import type { Bond, Construction, Face, Hole, Outline } from '../core/device/types';
import { coverOfKind, disc, rect, ringBond } from './buildDevice';
import { lensesIn, round, type CameraAnswer, type ModelAnswers, type Usual } from './guessAnswers';

export const frontMm = { glass: 0.7, gap: 0.3, ring: 1.6 };

export function facesOf(
  a: ModelAnswers,
  u: Usual,
  outline: Outline,
  camera: CameraAnswer | null,
): { faces: Face[]; bonds: Bond[] } {
  const lenses = camera ? lensesIn(camera) : [];
  const ringHoles = lenses.map((l, i): Hole => ({ id: `lens${i + 1}`, shape: disc(...l.at, l.rMm), role: 'camera' }));
  const face = (
    id: string,
    name: string,
    side: Face['side'],
    cover: Pick<Face, 'construction' | 'cover'>,
    holes: Hole[],
  ) => ({
    ...{ id, name, leaf: 'body', side, holes },
    ...cover,
  });
  const faces: Face[] = [];
  const bonds: Bond[] = [];
  if (a.opensFrom === 'front') {
    faces.push(face('front', 'front', 'front', coverOfKind('ringGlass', outline, frontMm.glass), []));
    bonds.push(ringBond('frontRing', 'front', frontMm.ring, { gapMm: frontMm.gap }));
  }
  const lensWork = a.construction === 'lensInRing' || a.construction === 'frameLens';
  if (!(a.construction === 'frameLens' && a.opensFrom === 'front')) {
    const back: Construction = lensWork ? 'ringGlass' : a.construction;
    faces.push(face('back', 'back', 'back', coverOfKind(back, outline, u.glassMm), ringHoles));
    bonds.push(
      ringBond('backBond', 'back', u.ringMm, {
        insetMm: u.insetMm,
        gapMm: u.gapMm,
        adhesive: u.adhesive,
        zone: back === 'fullGlass' ? 'fullArea' : back === 'clipped' ? 'clips' : 'ring',
        ...(back === 'clipped' ? { clipsAtMm: clipsAlong(a) } : {}),
      }),
    );
  }
  if (a.construction === 'lensInRing')
    lenses.forEach((l, i) => {
      const id = `lensCover${i + 1}`;
      faces.push(
        face(
          id,
          `lens cover ${i + 1}`,
          'back',
          coverOfKind('lensInRing', disc(...l.at, round(l.rMm * 0.9)), 0.5, 0.1),
          [{ id: `view${i + 1}`, shape: disc(...l.at, round(l.rMm * 0.45)), role: 'camera' }],
        ),
      );
      bonds.push(
        ringBond(`tape${i + 1}`, id, round(Math.max(0.5, l.rMm * 0.2)), {
          insetMm: 0.2,
          gapMm: 0.15,
          adhesive: 'transferTape',
        }),
      );
    });
  if (a.construction === 'frameLens' && camera) {
    const o = rect(camera.min[0] + 1, camera.min[1] + 1, camera.max[0] - 1, camera.max[1] - 1, 2);
    faces.push(
      face(
        'lensGlass',
        'lens glass in the camera frame',
        'back',
        coverOfKind('frameLens', o, 0.6, 0.1),
        lenses.map((l, i): Hole => ({ id: `view${i + 1}`, shape: disc(...l.at, round(l.rMm * 0.6)), role: 'camera' })),
      ),
    );
    bonds.push(ringBond('lensBond', 'lensGlass', 1, { gapMm: 0.15, adhesive: 'solventBorne' }));
  }
  return { faces, bonds };
}

/** A clip about every three centimetres, mm along the edge. */
const clipEveryMm = 30;
const clipsAlong = (a: Pick<ModelAnswers, 'widthMm' | 'lengthMm'>): number[] =>
  Array.from(
    { length: Math.floor((2 * (a.widthMm + a.lengthMm) - 20) / clipEveryMm) },
    (_, i) => clipEveryMm * (i + 0.5),
  );
