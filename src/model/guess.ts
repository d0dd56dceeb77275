import { CoreInputError } from '../core/errors';
import { factOf } from '../core/device/known';
import type { Bond, Device, Face, HowKnown } from '../core/device/types';
import { device, layOut, phoneFunctions, plug, rect, type Layout } from './buildDevice';
import { checkAnswers, clearOfRing, round, tabletFromMm, usualOf, type ModelAnswers } from './guessAnswers';
import { facesOf, frontMm } from './guessFaces';
import { between, coilOver, insideOf, keyShape, sideRoomMm } from './guessInside';

/** Thickness of a layer over the whole device, mm (judgement, from models at hand). */
const layerMm = { clearance: 0.55, plate: 0.6, display: 1.5, frontDisplay: 1.25, tabletPlate: 1, tabletDisplay: 2 };
/** The ledge that carries the ring is a little wider than it, mm. */
const ledgeOverMm = 0.9;
/**
 * A model from the five answers: everything that was not said is laid out as is usual for that construction and size, and is
 * marked as guessed.
 * @throws CoreInputError that names the answer and its range
 */
export function guessDevice(a: ModelAnswers): Device {
  checkAnswers(a);
  const tablet = a.widthMm >= tabletFromMm;
  const u = usualOf(a.construction, tablet);
  const outline = rect(0, 0, round(a.widthMm), round(a.lengthMm), round(Math.min(a.widthMm / 7.2, 12)));
  const keep = round(u.insetMm + u.ringMm + 0.4);
  const camera = a.camera && clearOfRing(a.camera, a, keep);
  const rimMm = round((a.opensFrom === 'front' ? frontMm.ring : u.ringMm + u.insetMm) + ledgeOverMm);
  const edge = Math.max(rimMm, 4) + sideRoomMm;
  const front = a.opensFrom === 'front';
  const bare = a.construction === 'frameLens' && front;
  const displayMm = tablet ? layerMm.tabletDisplay : front ? layerMm.frontDisplay : layerMm.display;
  const plateMm = tablet ? layerMm.tabletPlate : layerMm.plate;
  const hasCoil = (a.coil ?? u.coil) && !bare;
  const { board, batteries } = insideOf(a, camera, edge);
  const coil = hasCoil && batteries[0] ? coilOver(batteries[0], a.widthMm) : null;
  const coreMm = a.thicknessMm - u.glassMm - u.gapMm - layerMm.clearance - plateMm - displayMm;
  if (coreMm < 1)
    throw new CoreInputError(
      'thickness',
      a.thicknessMm,
      `${round(a.thicknessMm - coreMm + 1)} mm or more for this construction`,
    );
  const layout: Layout = {
    outline,
    rimMm,
    chassis: a.construction === 'fullGlass',
    ...(coil ? { coil } : {}),
    ...(board ? { board } : {}),
    batteries,
    ...(camera ? { camera: rect(...camera.min, ...camera.max, 3) } : {}),
    buttons: a.keys.map((k) => ({ name: 'keys', shape: keyShape(k, a) })),
    more: [
      {
        id: 'port',
        name: 'charge port',
        kind: 'port',
        shape: rect(a.widthMm / 2 - 5, a.lengthMm - 10, a.widthMm / 2 + 5, a.lengthMm - 4),
        material: 'polymer',
        layer: 'core',
      },
    ],
    glassMm: u.glassMm,
    gapMm: u.gapMm,
    clearanceMm: layerMm.clearance,
    coreMm,
    plateMm,
    displayMm,
    ...(front ? { displayInsetMm: 2.6 } : {}),
  };
  const { parts, thicknessMm } = layOut(layout);
  const { faces, bonds } = facesOf(a, u, outline, camera);
  return device({
    id: a.id,
    name: a.name,
    kind: tablet ? 'tablet' : 'phone',
    leaves: [{ id: 'body', outline, thicknessMm, fill: 'air' }],
    faces,
    bonds,
    parts: front
      ? parts.map((p) =>
          p.kind === 'display'
            ? { ...p, toDepthMm: thicknessMm - frontMm.glass }
            : p.kind === 'rim'
              ? { ...p, toDepthMm: thicknessMm - frontMm.glass - frontMm.gap }
              : p,
        )
      : parts,
    // its plug is the first off, wherever it is: between board and cell until somebody has looked
    connectors:
      batteries[0] && board
        ? [plug('batteryPlug', 'battery plug', between(board, batteries[0]), 'battery', { battery: true })]
        : [],
    functions: functionsOf(tablet, hasCoil),
    insideThrough: front ? 'front' : 'back',
    known: knownOf(
      a,
      parts.map((p) => p.id),
      faces,
      bonds,
    ),
  });
}

const functionsOf = (tablet: boolean, coil: boolean): string[] =>
  phoneFunctions.filter(
    (f) =>
      !(f === 'chargeQ' && !coil) &&
      !(tablet && ['earpiece', 'prox', 'vibra', 'sim', 'cell', 'nfc', 'ois', 'camAux'].includes(f)),
  );

/** What is said is seen or measured; all the rest is guessed. */
function knownOf(a: ModelAnswers, parts: readonly string[], faces: Face[], bonds: Bond[]): Record<string, HowKnown> {
  const size: HowKnown = a.sizeMeasured ? 'measured' : 'guessed';
  const seen = (id: string) => (id === 'camera' ? a.cameraSeen : id.startsWith('button') && a.keysSeen);
  const lens: HowKnown = a.cameraSeen ? 'seen' : 'guessed';
  // shells follow the outline
  const shells = new Set(['rim', 'midPlate', 'display', 'chassis']);
  return {
    size,
    thickness: a.thicknessMeasured ? 'measured' : 'guessed',
    layers: 'guessed',
    cables: 'guessed',
    small: 'guessed',
    ...Object.fromEntries(bonds.map((b) => [factOf.bond(b.id), 'guessed' as const])),
    ...Object.fromEntries(faces.flatMap((f) => f.holes.map((h) => [factOf.hole(h.id), lens] as const))),
    ...Object.fromEntries(
      parts
        .filter((id) => !shells.has(id))
        .map((id) => [factOf.part(id), seen(id) ? ('seen' as const) : ('guessed' as const)]),
    ),
  };
}
