import { freshId } from '@/core/device/editing';
import { faceView } from '@/core/device/faceView';
import { withKnown } from '@/core/device/known';
import { bondPerimeter } from '@/core/device/perimeter';
import { boxOf, contains } from '@/core/device/shapes';
import type { Bond, Device, ModelNote, Pt } from '@/core/device/types';
import { judgement } from '@/core/source';

/** What was learned at a joint of a job. */
export interface Learned {
  itemId: string;
  what: ModelNote['what'];
  at: Pt | null;
  text: string;
  joint: string;
}

const mostNotes = 60;

/** What is reckoned with of a cable that was only seen, mm: short until somebody measures it. */
const seenCable = {
  widthMm: 6,
  reachMm: 14,
  slackMm: judgement(20, 'a cable that was not measured is taken as a short one').value,
};

/** The part that lies at a place, the smallest of several. */
function partAt(d: Device, bond: Bond, at: Pt): string | null {
  const size = (s: Device['parts'][number]['shape']) => {
    const b = boxOf(s);
    return (b.max[0] - b.min[0]) * (b.max[1] - b.min[1]);
  };
  const found = faceView(d, bond).device.parts.filter((p) => p.removable && contains(p.shape, at));
  return found.sort((a, b) => size(a.shape) - size(b.shape))[0]?.id ?? null;
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

/**
 * A model with what was learned on a job: a cable where it was seen, a part that is bound to its board, and everything as a note
 * that later jobs read. The version is the caller's.
 * @param from label of the job
 */
export function withLearned(device: Device, items: readonly Learned[], from: string): Device {
  return items.reduce((d, item): Device => {
    const bond = d.bonds.find((b) => b.id === item.joint) ?? d.bonds[0]!;
    if (d.notes?.some((n) => n.id === item.itemId)) return d;
    const noted: Device = {
      ...d,
      notes: [
        ...(d.notes ?? []),
        { id: item.itemId, what: item.what, face: bond.onFace, at: item.at, text: item.text, from },
      ].slice(-mostNotes),
    };
    if (item.what === 'noCable') return withKnown(noted, 'cables', 'seen');
    if (item.what === 'cable' && item.at)
      return withKnown(withCable(noted, bond, item.at, item.text || 'cable'), 'cables', 'seen');
    if (item.what === 'bound' && item.at) {
      const id = partAt(noted, bond, item.at);
      return id ? { ...noted, parts: noted.parts.map((p) => (p.id === id ? { ...p, bound: true } : p)) } : noted;
    }
    return noted;
  }, device);
}
