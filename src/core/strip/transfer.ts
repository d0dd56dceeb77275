import type { Device, SmallPiece } from '../device/types';
import { commonPractice } from '../source';
import { strippable } from './graph';

export interface TransferItem {
  id: string;
  name: string;
  kind: SmallPiece['kind'] | 'part';
  way: 'move' | 'renew' | 'peel';
  qty: number;
}

export const forgotten = commonPractice(
  0,
  'meshes, gaskets, magnets, motor with its glue, antenna lines, tapes, paste, films: what gets forgotten',
);

/**
 * What has to be on the new shell: parts and small pieces less those that it comes with; single-use ones are renewed, films
 * peeled off. In the order in which it came out.
 */
export function transferList(
  device: Device,
  onNew: Readonly<Record<string, number>>,
  order: readonly string[],
): TransferItem[] {
  const all: TransferItem[] = [
    ...device.parts
      .filter(strippable)
      .map((p): TransferItem => ({ id: p.id, name: p.name, kind: 'part', way: 'move', qty: 1 })),
    ...device.pieces
      .filter((p) => p.kind !== 'bracket')
      .map((p): TransferItem => ({
        id: p.id,
        name: p.name,
        kind: p.kind,
        way: p.kind === 'film' ? 'peel' : p.singleUse ? 'renew' : 'move',
        qty: p.qty,
      })),
  ];
  const place = (id: string) => (order.includes(id) ? order.indexOf(id) : 1e6);
  return all
    .map((t) => ({ ...t, qty: t.qty - (onNew[t.id] ?? 0) }))
    .filter((t) => t.qty > 0)
    .sort((a, b) => place(a.id) - place(b.id) || (a.id < b.id ? -1 : 1));
}
