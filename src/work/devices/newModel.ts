import { z } from 'zod';

import { boxOf } from '@/core/device/shapes';
import type { Construction, EdgeId, Pt } from '@/core/device/types';
import { judgement } from '@/core/source';
import {
  insideKinds,
  keyMaxMm,
  lensMax,
  sizeLimits,
  tabletFromMm,
  type KeyAnswer,
  type ModelAnswers,
} from '@/model/guessAnswers';

export const constructions = [
  'ringGlass',
  'ringPlastic',
  'fullGlass',
  'clipped',
  'lensInRing',
  'frameLens',
] as const satisfies readonly Construction[];
export const cameraShapes = ['column', 'block', 'bar'] as const;

/** The five answers while they are given. */
export const newModelSchema = z.object({
  construction: z.enum(constructions).nullable(),
  opensFrom: z.enum(['back', 'front']),
  lengthMm: z.number().min(sizeLimits.lengthMm[0]).max(sizeLimits.lengthMm[1]),
  widthMm: z.number().min(sizeLimits.widthMm[0]).max(sizeLimits.widthMm[1]),
  thicknessMm: z.number().min(sizeLimits.thicknessMm[0]).max(sizeLimits.thicknessMm[1]),
  sizeMeasured: z.boolean(),
  thicknessMeasured: z.boolean(),
  lenses: z.number().int().min(0).max(lensMax),
  cameraShape: z.enum(cameraShapes),
  /** middle of the cameras where they were tapped; null: not yet, the usual corner */
  cameraAt: z.tuple([z.number(), z.number()]).nullable(),
  /** their block as it was measured; null: as many lenses need */
  cameraSize: z
    .tuple([z.number().min(4).max(200), z.number().min(4).max(200)])
    .nullable()
    .default(null),
  keys: z
    .array(z.object({ edge: z.enum(['bottom', 'left', 'top', 'right']), fromMm: z.number(), toMm: z.number() }))
    .max(8),
  /** keys were tapped, or it was said that there are none */
  keysSeen: z.boolean(),
  inside: z.enum(insideKinds),
  coil: z.boolean().nullable(),
  name: z.string().max(80),
});
export type NewModel = z.infer<typeof newModelSchema>;

const round = (v: number) => Math.round(v * 10) / 10;

const inch = 25.4;
/** Frame round a screen, both sides together, mm. */
const frameMm = {
  phone: {
    across: judgement(6, 'frame and black border of a phone').value,
    along: judgement(9, 'frame and black border of a phone, ends').value,
  },
  tablet: { across: 14, along: 16 },
};
/** Screens by their diagonal: 19.5 to 9 on phones, 3 to 2 on tablets. */
export const screenInches = { phone: [5.4, 5.8, 6.1, 6.4, 6.7, 6.9], tablet: [8, 10, 11, 13] } as const;

/** Size of a device by the diagonal of its screen, mm. */
export function sizeOfScreen(inches: number): { lengthMm: number; widthMm: number } {
  const tablet = inches >= 7.5;
  const [long, short] = tablet ? [3, 2] : [19.5, 9];
  const frame = tablet ? frameMm.tablet : frameMm.phone;
  const unit = (inches * inch) / Math.hypot(long, short);
  return { lengthMm: round(long * unit + frame.along), widthMm: round(short * unit + frame.across) };
}

/** A key as wide as most of them, mm. */
const keyMm = 14;
/** Nearer to the edge than this a tap is a key, mm. */
const edgeTapMm = 8;

const usualKeys = (lengthMm: number): KeyAnswer[] => [
  { edge: 'left', fromMm: round(lengthMm * 0.3), toMm: round(lengthMm * 0.3 + 20) },
];

export const firstAnswers = (): NewModel => ({
  construction: null,
  opensFrom: 'back',
  ...sizeOfScreen(6.1),
  thicknessMm: 8,
  sizeMeasured: false,
  thicknessMeasured: false,
  lenses: 2,
  cameraShape: 'column',
  cameraAt: null,
  cameraSize: null,
  keys: [],
  keysSeen: false,
  inside: 'boardTop',
  coil: null,
  name: '',
});

/** Another size: what was tapped keeps its place from the top-left corner, what no longer lies on the device goes. */
export function withSize(
  a: NewModel,
  size: Partial<Pick<NewModel, 'lengthMm' | 'widthMm' | 'sizeMeasured'>>,
): NewModel {
  const next = { ...a, ...size };
  const tablet = next.widthMm >= tabletFromMm;
  const was = a.widthMm >= tabletFromMm;
  const along = (k: KeyAnswer) => (k.edge === 'left' || k.edge === 'right' ? next.lengthMm : next.widthMm);
  const inside = next.cameraAt && next.cameraAt[0] < next.widthMm && next.cameraAt[1] < next.lengthMm;
  return {
    ...next,
    cameraAt: inside ? next.cameraAt : null,
    keys: next.keys.filter((k) => k.toMm <= along(k)),
    inside: tablet === was ? next.inside : tablet ? 'twoCells' : 'boardTop',
  };
}

/** Room for one lens in a block, mm. */
const lensMm = 13;
const blockEdgeMm = 4;

/** The block of the cameras, mm; null: it has none. */
export function cameraBlock(a: NewModel): { min: Pt; max: Pt } | null {
  if (!a.lenses) return null;
  const { lenses: n, cameraShape: shape } = a;
  const cols = shape === 'column' ? 1 : shape === 'bar' ? n : Math.min(2, n);
  const rows = Math.ceil(n / cols);
  const [w, h] = [
    Math.min(a.widthMm - 8, a.cameraSize?.[0] ?? cols * lensMm + blockEdgeMm),
    Math.min(a.lengthMm - 8, a.cameraSize?.[1] ?? rows * lensMm + blockEdgeMm),
  ];
  const [x, y] = a.cameraAt ?? [5 + w / 2, 5 + h / 2];
  const at = (v: number, size: number, end: number) => round(Math.min(Math.max(v - size / 2, 0), end - size));
  const [x0, y0] = [at(x, w, a.widthMm), at(y, h, a.lengthMm)];
  return { min: [x0, y0], max: [round(x0 + w), round(y0 + h)] };
}

/** The edge nearest to a place, and how far along it lies, mm. */
function edgeNear(a: NewModel, [x, y]: Pt): { edge: EdgeId; mm: number; distanceMm: number } {
  const list = [
    { edge: 'left' as const, mm: y, distanceMm: x },
    { edge: 'right' as const, mm: y, distanceMm: a.widthMm - x },
    { edge: 'top' as const, mm: x, distanceMm: y },
    { edge: 'bottom' as const, mm: x, distanceMm: a.lengthMm - y },
  ];
  return list.reduce((best, e) => (e.distanceMm < best.distanceMm ? e : best));
}

/** A tap on the plan: at the edge it sets a key, makes its neighbour longer or takes it away; elsewhere the cameras come there. */
export function tapped(a: NewModel, p: Pt): NewModel {
  const near = edgeNear(a, p);
  if (near.distanceMm > edgeTapMm) return a.lenses ? { ...a, cameraAt: [round(p[0]), round(p[1])] } : a;
  const along = near.edge === 'left' || near.edge === 'right' ? a.lengthMm : a.widthMm;
  const [from, to] = [Math.max(0, near.mm - keyMm / 2), Math.min(along, near.mm + keyMm / 2)];
  const on = (k: KeyAnswer) => k.edge === near.edge;
  const hit = a.keys.find((k) => on(k) && near.mm >= k.fromMm && near.mm <= k.toMm);
  if (hit) return { ...a, keys: a.keys.filter((k) => k !== hit), keysSeen: true };
  const beside = a.keys.find(
    (k) =>
      on(k) && from <= k.toMm + 2 && to >= k.fromMm - 2 && Math.max(to, k.toMm) - Math.min(from, k.fromMm) <= keyMaxMm,
  );
  const key: KeyAnswer = {
    edge: near.edge,
    fromMm: round(Math.min(from, beside?.fromMm ?? from)),
    toMm: round(Math.max(to, beside?.toMm ?? to)),
  };
  return { ...a, keys: [...a.keys.filter((k) => k !== beside), key].slice(-8), keysSeen: true };
}

/** What a photo told: sizes, and where the cameras are when they were tapped in it. */
export function withTrace(
  a: NewModel,
  t: { widthMm: number; lengthMm: number; camera: readonly [Pt, Pt] | null },
): NewModel {
  const sized = withSize(a, { widthMm: round(t.widthMm), lengthMm: round(t.lengthMm), sizeMeasured: true });
  if (!t.camera) return sized;
  const [p, q] = t.camera;
  const size = (i: 0 | 1) => round(Math.min(200, Math.max(4, Math.abs(p[i] - q[i]))));
  return {
    ...sized,
    lenses: Math.max(1, sized.lenses),
    cameraAt: [round((p[0] + q[0]) / 2), round((p[1] + q[1]) / 2)],
    cameraSize: [size(0), size(1)],
  };
}

/** What the model is made from; null while it was not said how the back is held. */
export function answersOf(a: NewModel, id: string, name: string): ModelAnswers | null {
  if (!a.construction) return null;
  const block = cameraBlock(a);
  return {
    id,
    name,
    construction: a.construction,
    opensFrom: a.opensFrom,
    lengthMm: a.lengthMm,
    widthMm: a.widthMm,
    thicknessMm: a.thicknessMm,
    sizeMeasured: a.sizeMeasured,
    thicknessMeasured: a.thicknessMeasured,
    camera: block && { ...block, lenses: a.lenses },
    cameraSeen: a.cameraAt !== null,
    keys: a.keysSeen ? a.keys : usualKeys(a.lengthMm),
    keysSeen: a.keysSeen,
    inside: a.inside,
    coil: a.coil,
  };
}

/** Middle of the block, mm. */
export function cameraMiddle(a: NewModel): Pt | null {
  const block = cameraBlock(a);
  if (!block) return null;
  const b = boxOf({ kind: 'roundRect', ...block, rMm: 0 });
  return [(b.min[0] + b.max[0]) / 2, (b.min[1] + b.max[1]) / 2];
}
