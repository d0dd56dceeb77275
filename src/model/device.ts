import { z } from 'zod';

import './zodConfig';
import { howKnown, learnedKinds, pieceKinds, type Device } from '../core/device/types';
import type { Sourced } from '../core/source';

const mm = (low: number, high: number) => z.number().min(low).max(high);

export const sourcedSchema: z.ZodType<Sourced> = z.object({
  value: z.number(),
  u: z.number().min(0).optional(),
  source: z.object({
    kind: z.enum(['published', 'commonPractice', 'memory', 'judgement', 'tuned', 'calibrated', 'measured']),
    note: z.string().max(400),
  }),
});

const pt = z.tuple([mm(-100, 500), mm(-100, 500)]);
const outlineSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('disc'), c: pt, rMm: mm(0.1, 250) }),
  z.object({ kind: z.literal('roundRect'), min: pt, max: pt, rMm: mm(0, 100) }),
  z.object({ kind: z.literal('polygon'), pts: z.array(pt).min(3).max(400) }),
]);
const shapeSchema = z.union([
  outlineSchema,
  z.object({ kind: z.literal('band'), of: outlineSchema, fromMm: mm(-50, 250), toMm: mm(-50, 250) }),
]);
const arcSchema = z.object({ fromMm: mm(-2000, 2000), toMm: mm(-2000, 2000) });
/** names that every object has: a table keyed by one would not be what it seems */
const reserved = new Set(Object.getOwnPropertyNames(Object.prototype));
const id = z
  .string()
  .min(1)
  .max(60)
  .refine((t) => !reserved.has(t), { error: (i) => `"${String(i.input)}" cannot be a name, choose another` });
const edge = z.enum(['bottom', 'left', 'top', 'right']);

const partKinds = [
  'battery',
  'camera',
  'display',
  'coil',
  'board',
  'rim',
  'midPlate',
  'button',
  'magnet',
  'speaker',
  'mic',
  'flash',
  'hinge',
  'reader',
  'port',
  'other',
] as const;

const screwSchema = z.object({
  id,
  at: pt,
  leaf: id.optional(),
  zone: id,
  head: z.enum(['cross', 'fiveLobe', 'threeWing', 'hex', 'slot']),
  diaMm: mm(0.4, 6),
  lengthMm: mm(0.5, 30),
  stackMm: mm(0, 20),
  bossDepthMm: mm(0.2, 30),
  minEngageMm: mm(0, 10),
  colour: z.enum(['silver', 'black', 'gold']).optional(),
  holds: id.optional(),
});

const connectorSchema = z.object({
  id,
  name: z.string().min(1).max(80),
  at: pt,
  leaf: id.optional(),
  of: id,
  kind: z.enum(['press', 'latch', 'coax']),
  battery: z.boolean(),
});

const pieceSchema = z.object({
  id,
  name: z.string().min(1).max(80),
  kind: z.enum(pieceKinds),
  at: pt,
  leaf: id.optional(),
  singleUse: z.boolean(),
  qty: z.number().int().min(1).max(50),
  covers: z.array(id).max(40),
});

/** Defaults stand for what models of the first kind, one ring-bonded back, did not need to say. */
export const deviceSchema: z.ZodType<Device> = z.object({
  id,
  version: z.number().int().min(1),
  name: z.string().min(1).max(80),
  kind: z.enum(['phone', 'tablet']),
  leaves: z
    .array(z.object({ id, outline: outlineSchema, thicknessMm: mm(1, 40), fill: id }))
    .min(1)
    .max(4),
  faces: z
    .array(
      z.object({
        id,
        name: z.string().min(1).max(80).default('back'),
        construction: z
          .enum(['ringGlass', 'ringPlastic', 'fullGlass', 'clipped', 'lensInRing', 'frameLens'])
          .default('ringGlass'),
        leaf: id,
        side: z.enum(['back', 'front']),
        cover: z.object({
          strength: id,
          material: id,
          hMm: mm(0.2, 5),
          outline: outlineSchema,
          printLayer: z.boolean(),
          insetToFrameMm: mm(0, 3),
        }),
        holes: z
          .array(z.object({ id, shape: outlineSchema, role: z.enum(['camera', 'flash', 'mic', 'reader', 'port']) }))
          .max(40),
      }),
    )
    .min(1)
    .max(8),
  bonds: z
    .array(
      z.object({
        id,
        onFace: id,
        zone: z.enum(['ring', 'fullArea', 'clips']).default('ring'),
        patches: z.array(outlineSchema).max(20).default([]),
        clipsAtMm: z.array(mm(-2000, 2000)).max(100).default([]),
        widthMm: mm(0.5, 30),
        insetMm: mm(0, 20),
        gapMm: mm(0.05, 2),
        adhesive: id,
        gaps: z.array(arcSchema).max(40),
      }),
    )
    .min(1)
    .max(8),
  parts: z
    .array(
      z.object({
        id,
        name: z.string().min(1).max(80),
        kind: z.enum(partKinds),
        leaf: id.optional(),
        shape: shapeSchema,
        fromDepthMm: mm(0, 40),
        toDepthMm: mm(0, 40),
        material: id,
        removable: z.boolean(),
        bound: z.boolean().optional(),
        clearMm: sourcedSchema,
        limitC: z.object({ caution: sourcedSchema, stop: sourcedSchema }).optional(),
        needs: z.array(z.array(id).max(40)).max(10).optional(),
      }),
    )
    .max(200),
  cables: z
    .array(
      z.object({
        id,
        name: z.string().min(1).max(80),
        onFace: id.optional(),
        at: arcSchema,
        widthMm: mm(0.5, 60),
        reachMm: mm(0.5, 100),
        slackMm: mm(0, 300),
        foldToward: edge,
        unplugFirst: z.boolean(),
      }),
    )
    .max(20),
  screws: z.array(screwSchema).max(200).default([]),
  connectors: z.array(connectorSchema).max(60).default([]),
  pieces: z.array(pieceSchema).max(100).default([]),
  functions: z.array(id).max(60),
  insideThrough: id.default('back'),
  notes: z
    .array(
      z.object({
        id,
        what: z.enum(learnedKinds),
        face: id,
        at: pt.nullable(),
        text: z.string().max(200),
        from: z.string().max(40),
        photo: z.string().min(1).max(80).optional(),
      }),
    )
    .max(60)
    .optional(),
  order: z.array(z.string().min(1).max(70)).max(200).optional(),
  pictures: z
    .array(
      z.object({
        id: z.string().min(1).max(80),
        face: id,
        inside: z.boolean(),
        widthMm: mm(10, 500),
        lengthMm: mm(10, 500),
      }),
    )
    .max(16)
    .optional(),
  sisterOf: id.optional(),
  known: z.record(id, z.enum(howKnown)).optional(),
  outside: z.object({ screws: z.number().int().min(0).max(20), stylus: z.boolean() }).optional(),
});
