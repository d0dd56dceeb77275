import { judgement } from '../source';
import { checkDevice, type DeviceProblem } from './check';
import { centreOf, freshId, shifted } from './editing';
import { faceView } from './faceView';
import { factOf, withKnown } from './known';
import { bondPerimeter, faceOf } from './perimeter';
import { boxOf, mirrorX } from './shapes';
import type { Bond, Device, Learned, LearnedKind, LearnedThing, Outline, Pt, ScrewHole, SmallPiece } from './types';
import { partAt, takenIds } from './learnedPieces';

const mostNotes = 60;

/** What is reckoned with of a cable that was only seen, mm: short until somebody measures it. */
const seenCable = {
  widthMm: 6,
  reachMm: 14,
  slackMm: judgement(20, 'a cable that was not measured is taken as a short one').value,
};

/** What a screw passes before its boss, and the boss beyond its end, mm; short enough for the shortest screw. */
const seenScrew = {
  stackMm: judgement(0.4, 'a bracket or a shell over the boss of a screw that was only seen').value,
  beyondMm: judgement(0.3, 'bosses are a little deeper than their screws').value,
  engageShare: 0.6,
};

/** A glued spot that was seen, mm. */
const seenPatch = { widthMm: 10, heightMm: 6 };

/** A bracket lies over the plugs that are this near to its middle, mm. */
const bracketReachMm = judgement(8, 'brackets over plugs are 10 to 20 mm long').value;

/** The plan has x from the left as seen from behind; who looks at a front sees it the other way round. */
function onPlan(d: Device, bond: Bond, at: Pt): Pt {
  const face = faceOf(d, bond);
  if (face.side !== 'front') return at;
  const { min, max } = boxOf((d.leaves.find((l) => l.id === face.leaf) ?? d.leaves[0]!).outline);
  return [min[0] + max[0] - at[0], at[1]];
}

/** Leaf of what is seen through a joint, where it is not the first one. */
function leafOf(d: Device, bond: Bond): { leaf?: string } {
  const { leaf } = faceOf(d, bond);
  return leaf === d.leaves[0]!.id ? {} : { leaf };
}

/** A cable where it was seen, at the nearest place of the joint; the cover is turned over that edge. */
function withCable(d: Device, bond: Bond, at: Pt, name: string): Device {
  const view = faceView(d, bond);
  const path = bondPerimeter(view.device, view.bond);
  const sMm = path.locate(at);
  const half = seenCable.widthMm / 2;
  return {
    ...d,
    cables: [
      ...d.cables,
      {
        id: freshId(
          'cable',
          d.cables.map((c) => c.id),
        ),
        name,
        onFace: bond.onFace,
        at: { fromMm: sMm - half, toMm: sMm + half },
        ...seenCable,
        foldToward: path.point(sMm).edge,
        // its length is not known: it comes off before the cover is turned over
        unplugFirst: true,
      },
    ],
  };
}

const pieceKind: Partial<Record<LearnedKind, SmallPiece['kind']>> = {
  bracket: 'bracket',
  mesh: 'mesh',
  magnet: 'magnet',
};

/** Two things of a kind are not this near to each other: a second tap means the first one, mm. */
const sameMm = 0.8;

/** The one of these that was meant by a tap: on the same leaf, at the same place. */
const sameOf = <T extends { at: Pt; leaf?: string | undefined }>(
  list: readonly T[],
  at: Pt,
  leaf: string | undefined,
) => list.find((x) => x.leaf === leaf && Math.hypot(x.at[0] - at[0], x.at[1] - at[1]) < sameMm);

function withScrew(d: Device, bond: Bond, at: Pt, s: Extract<LearnedThing, { kind: 'screw' }>): Device {
  const { stackMm, beyondMm, engageShare } = seenScrew;
  const stack = Math.min(stackMm, s.lengthMm / 2);
  const place = { at: onPlan(d, bond, at), ...leafOf(d, bond) };
  const known = sameOf(d.screws, place.at, place.leaf);
  const screw: ScrewHole = {
    id: known?.id ?? s.id,
    ...place,
    zone: known?.zone ?? s.zone,
    head: s.head,
    diaMm: s.diaMm,
    lengthMm: s.lengthMm,
    stackMm: stack,
    bossDepthMm: s.lengthMm - stack + beyondMm,
    minEngageMm: engageShare * (s.lengthMm - stack),
    ...(s.holds && takenIds(d).includes(s.holds) ? { holds: s.holds } : {}),
  };
  return { ...d, screws: known ? d.screws.map((x) => (x === known ? { ...x, ...screw } : x)) : [...d.screws, screw] };
}

function withPlug(d: Device, bond: Bond, at: Pt, p: Extract<LearnedThing, { kind: 'plug' }>, name: string): Device {
  const place = { at: onPlan(d, bond, at), ...leafOf(d, bond), kind: p.plug };
  const known =
    d.connectors.find((c) => c.id === p.id) ?? (p.battery ? undefined : sameOf(d.connectors, place.at, place.leaf));
  if (known) return { ...d, connectors: d.connectors.map((c) => (c === known ? { ...c, ...place } : c)) };
  const plug = {
    id: p.id,
    name: name || (p.battery ? 'battery plug' : 'plug'),
    of: p.of,
    battery: p.battery,
    ...place,
  };
  return { ...d, connectors: [...d.connectors, plug] };
}

function withPiece(d: Device, bond: Bond, at: Pt, id: string, what: LearnedKind, text: string): Device {
  const kind = pieceKind[what]!;
  const place = onPlan(d, bond, at);
  const { leaf } = leafOf(d, bond);
  if (
    sameOf(
      d.pieces.filter((p) => p.kind === kind),
      place,
      leaf,
    )
  )
    return d;
  const under = d.connectors.filter((c) => Math.hypot(c.at[0] - place[0], c.at[1] - place[1]) <= bracketReachMm);
  const piece: SmallPiece = {
    id,
    name: text || kind,
    kind,
    at: place,
    ...leafOf(d, bond),
    singleUse: false,
    qty: 1,
    covers: kind === 'bracket' ? under.map((c) => c.id) : [],
  };
  return { ...d, pieces: [...d.pieces, piece] };
}

function withPatch(d: Device, bond: Bond, at: Pt): Device {
  const [hx, hy] = [seenPatch.widthMm / 2, seenPatch.heightMm / 2];
  const seen: Outline = { kind: 'roundRect', min: [at[0] - hx, at[1] - hy], max: [at[0] + hx, at[1] + hy], rMm: 1 };
  const face = faceOf(d, bond);
  const { min, max } = boxOf((d.leaves.find((l) => l.id === face.leaf) ?? d.leaves[0]!).outline);
  const patch = face.side === 'front' ? mirrorX(seen, min[0] + max[0]) : seen;
  return { ...d, bonds: d.bonds.map((b) => (b.id === bond.id ? { ...b, patches: [...b.patches, patch] } : b)) };
}

/** A part is where it is drawn, or with its middle where it was tapped. */
function withPart(d: Device, bond: Bond, at: Pt | null, id: string): Device {
  const part = d.parts.find((p) => p.id === id);
  if (!part) return d;
  const seen = d.known && d.known[factOf.part(id)] === undefined ? d : withKnown(d, factOf.part(id), 'seen');
  if (!at) return seen;
  const to = onPlan(d, bond, at);
  const c = centreOf(part.shape);
  const shape = shifted(part.shape, to[0] - c[0], to[1] - c[1]);
  return { ...seen, parts: seen.parts.map((p) => (p.id === id ? { ...p, shape } : p)) };
}

/** One thing into the model; the model as it was where it has no place. */
function withThing(d: Device, bond: Bond, { what, at, text, thing }: Learned): Device {
  if (thing?.kind === 'part') return withPart(d, bond, at, thing.id);
  if (what === 'noCable') return withKnown(d, 'cables', 'seen');
  if (!at) return d;
  if (thing?.kind === 'screw') return withKnown(withScrew(d, bond, at, thing), 'small', 'seen');
  if (thing?.kind === 'plug') return withKnown(withPlug(d, bond, at, thing, text), 'small', 'seen');
  if (thing?.kind === 'piece' && pieceKind[what])
    return withKnown(withPiece(d, bond, at, thing.id, what, text), 'small', 'seen');
  if (what === 'patch') return withPatch(d, bond, at);
  if (what === 'cable') return withKnown(withCable(d, bond, at, text || 'cable'), 'cables', 'seen');
  if (what !== 'bound') return d;
  const id = partAt(d, bond, at);
  return id ? { ...d, parts: d.parts.map((p) => (p.id === id ? { ...p, bound: true } : p)) } : d;
}

/** The name of a thing is taken by another one since: it gets one of its own. */
function withFreeId(d: Device, thing: LearnedThing | undefined): LearnedThing | undefined {
  if (!thing || thing.kind === 'part' || (thing.kind === 'plug' && thing.battery)) return thing;
  return takenIds(d).includes(thing.id) ? { ...thing, id: freshId(thing.id, takenIds(d)) } : thing;
}

/** What would be wrong in a model with this thing where it was tapped; null: it has its place. */
export function learnedProblem(device: Device, item: Learned): DeviceProblem | null {
  const bond = device.bonds.find((b) => b.id === item.joint) ?? device.bonds[0]!;
  const made = withThing(device, bond, { ...item, thing: withFreeId(device, item.thing) });
  return made === device ? null : (checkDevice(made)[0] ?? null);
}

/**
 * A model with what was learned on a job: screws, plugs, small pieces, glued spots, a cable where they were seen, parts where
 * they really are or bound to their board, and as a note that later jobs read what was said in words. A thing that is there already
 * is not there twice. What would make a model that does not
 * hold together is kept as a note alone. The version is the caller's.
 * @param from label of the job
 */
export function withLearned(device: Device, items: readonly Learned[], from: string): Device {
  return items.reduce((d, item): Device => {
    const bond = d.bonds.find((b) => b.id === item.joint) ?? d.bonds[0]!;
    if (d.notes?.some((n) => n.id === item.itemId)) return d;
    // a thing is in the model itself; it is a note besides when something was said of it
    const said = !item.thing || item.text !== '' || item.photo !== undefined;
    const noted: Device = !said
      ? d
      : {
          ...d,
          notes: [
            ...(d.notes ?? []),
            {
              id: item.itemId,
              what: item.what,
              face: bond.onFace,
              at: item.at,
              text: item.text,
              from,
              ...(item.photo ? { photo: item.photo } : {}),
            },
          ].slice(-mostNotes),
        };
    const made = withThing(noted, bond, { ...item, thing: withFreeId(noted, item.thing) });
    return made === noted || checkDevice(made).length ? noted : made;
  }, device);
}

/** Kinds that change what has been worked already: they wait for the next job on the model. */
const later: ReadonlySet<LearnedKind> = new Set(['patch']);

/** The model of a job as it turned out to be: what was seen on it counts for the rest of the work. */
export function asSeen(device: Device, items: readonly Learned[], from: string): Device {
  const now = items.filter((i) => !later.has(i.what));
  return now.length ? withLearned(device, now, from) : device;
}
