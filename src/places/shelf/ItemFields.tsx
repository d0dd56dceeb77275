import type { ReactNode } from 'react';
import { View } from 'react-native';

import { cableFold } from '@/core/device/cableFold';
import { faceView } from '@/core/device/faceView';
import { bondPerimeter } from '@/core/device/perimeter';
import { materials } from '@/core/device/materials';
import type { Cable, Device, EdgeId, Hole, Outline, Part, PartKind, ScrewHole } from '@/core/device/types';
import { edgeName } from '@/work/heat/placeNames';
import { Entry } from '@/bench-kit/Why';
import { Choice, Tick } from '@/ui/Choice';
import { Txt } from '@/ui/Txt';
import { bondOf, drawable, placed, turnOf, type Selected } from './editorState';
import { Mm, ShapeFields, Two } from './Fields';

export const partKinds: { id: PartKind; name: string }[] = [
  { id: 'battery', name: 'battery' },
  { id: 'board', name: 'board' },
  { id: 'camera', name: 'camera' },
  { id: 'coil', name: 'coil' },
  { id: 'button', name: 'key' },
  { id: 'port', name: 'port' },
  { id: 'hinge', name: 'hinge' },
  { id: 'reader', name: 'reader' },
  { id: 'speaker', name: 'speaker' },
  { id: 'mic', name: 'microphone' },
  { id: 'flash', name: 'flash' },
  { id: 'magnet', name: 'magnet' },
  { id: 'display', name: 'display' },
  { id: 'other', name: 'other' },
];
const roles: { id: Hole['role']; name: string }[] = [
  { id: 'camera', name: 'lens' },
  { id: 'flash', name: 'flash' },
  { id: 'mic', name: 'microphone' },
  { id: 'reader', name: 'reader' },
  { id: 'port', name: 'port' },
];
const heads: { id: ScrewHole['head']; name: string }[] = [
  { id: 'cross', name: 'cross' },
  { id: 'fiveLobe', name: 'five-lobe' },
  { id: 'threeWing', name: 'three-wing' },
  { id: 'hex', name: 'hex' },
  { id: 'slot', name: 'slot' },
];
const edges: { id: EdgeId; name: string }[] = (['left', 'right', 'top', 'bottom'] as const).map((id) => ({
  id,
  name: edgeName(id),
}));

interface ItemFieldsProps {
  device: Device;
  bondId: string;
  item: Selected;
  onShape: (shape: Outline) => void;
  onItem: (change: (x: never) => unknown) => void;
}

type Put = <T>(change: Partial<T>) => void;

/** The fields of the item that is chosen. */
export function ItemFields({ device, bondId, item, onShape, onItem }: ItemFieldsProps) {
  const own = placed(device, bondId).find((x) => x.kind === item.kind && x.id === item.id);
  const shape =
    own && item.kind !== 'screw' ? <ShapeFields name={own.name} shape={own.shape} onChange={onShape} /> : null;
  const put: Put = <T,>(change: Partial<T>) => onItem(((x: T) => ({ ...x, ...change })) as (x: never) => unknown);
  if (item.kind === 'hole') {
    const face = device.faces.find((f) => f.id === turnOf(device, bondId).faceKey)!;
    const hole = face.holes.find((h) => h.id === item.id);
    if (!hole) return null;
    return (
      <View>
        <Choice label={`${hole.id}: is a`} value={hole.role} options={roles} onChange={(role) => put<Hole>({ role })} />
        {shape}
      </View>
    );
  }
  if (item.kind === 'part') {
    const part = device.parts.find((p) => p.id === item.id);
    return part ? <PartFields device={device} part={part} shape={shape} put={put} /> : null;
  }
  if (item.kind === 'screw') {
    const screw = device.screws.find((x) => x.id === item.id);
    return screw && own ? <ScrewFields screw={screw} turn={turnOf(device, bondId)} put={put} /> : null;
  }
  if (item.kind === 'cable') return <CableFields device={device} bondId={bondId} id={item.id} put={put<Cable>} />;
  return shape;
}

function PartFields({ device, part, shape, put }: { device: Device; part: Part; shape: ReactNode; put: Put }) {
  const depth = device.leaves.find((l) => l.id === (part.leaf ?? device.leaves[0]!.id))!.thicknessMm;
  return (
    <View>
      <Entry
        label={`${part.id}: name`}
        value={part.name}
        onChange={(name) => put<Part>({ name: name || part.id })}
        max={80}
      />
      {shape}
      <Two>
        <Mm
          label={`${part.name}: begins at depth`}
          value={part.fromDepthMm}
          low={0}
          high={depth}
          onCommit={(v) => put<Part>({ fromDepthMm: v })}
        />
        <Mm
          label={`${part.name}: ends at depth`}
          value={part.toDepthMm}
          low={0}
          high={depth}
          onCommit={(v) => put<Part>({ toDepthMm: v })}
        />
        <Mm
          label={`${part.name}: tools keep away`}
          value={part.clearMm.value}
          low={0}
          high={20}
          onCommit={(v) =>
            put<Part>({ clearMm: { value: v, source: { kind: 'judgement', note: 'set on the shelf' } } })
          }
        />
      </Two>
      <Choice
        label={`${part.name}: made of`}
        value={part.material}
        options={Object.keys(materials).map((id) => ({ id, name: id }))}
        onChange={(material) => put<Part>({ material })}
      />
      <Tick
        label={`${part.name} can be taken out`}
        on={part.removable}
        onChange={(removable) => put<Part>({ removable })}
      />
      {part.limitC ? (
        <Txt size="s" tone="ink2">
          Limits: caution {part.limitC.caution.value} °C, stop {part.limitC.stop.value} °C (
          {part.limitC.stop.source.note}).
        </Txt>
      ) : null}
    </View>
  );
}

function ScrewFields({ screw: s, turn: t, put }: { screw: ScrewHole; turn: ReturnType<typeof turnOf>; put: Put }) {
  const x = t.front ? t.width - s.at[0] : s.at[0];
  return (
    <View>
      <Entry
        label={`${s.id}: zone`}
        value={s.zone}
        onChange={(zone) => put<ScrewHole>({ zone: zone || 'A' })}
        max={20}
      />
      <Choice label={`${s.id}: head`} value={s.head} options={heads} onChange={(head) => put<ScrewHole>({ head })} />
      <Two>
        <Mm
          label={`${s.id}: from the left`}
          value={x}
          onCommit={(v) => put<ScrewHole>({ at: [t.front ? t.width - v : v, s.at[1]] })}
        />
        <Mm label={`${s.id}: from the top`} value={s.at[1]} onCommit={(v) => put<ScrewHole>({ at: [s.at[0], v] })} />
        <Mm
          label={`${s.id}: diameter`}
          value={s.diaMm}
          low={0.4}
          high={6}
          onCommit={(v) => put<ScrewHole>({ diaMm: v })}
        />
        <Mm
          label={`${s.id}: length`}
          value={s.lengthMm}
          low={0.5}
          high={30}
          onCommit={(v) => put<ScrewHole>({ lengthMm: v })}
        />
        <Mm
          label={`${s.id}: passes`}
          value={s.stackMm}
          low={0}
          high={20}
          onCommit={(v) => put<ScrewHole>({ stackMm: v })}
        />
        <Mm
          label={`${s.id}: boss depth`}
          value={s.bossDepthMm}
          low={0.2}
          high={30}
          onCommit={(v) => put<ScrewHole>({ bossDepthMm: v })}
        />
      </Two>
    </View>
  );
}

function CableFields({
  device,
  bondId,
  id,
  put,
}: {
  device: Device;
  bondId: string;
  id: string;
  put: (c: Partial<Cable>) => void;
}) {
  const c = device.cables.find((x) => x.id === id);
  if (!c || !drawable(device, bondId)) return null;
  const view = faceView(device, bondOf(device, bondId));
  const path = bondPerimeter(view.device, view.bond);
  const mid = (c.at.fromMm + c.at.toMm) / 2;
  const side = path.point(mid).edge;
  const span = path.edgeSpan(side);
  const middle = (span.fromMm + span.toMm) / 2;
  // along the edge from its middle, in the sense of going round clockwise
  const along = Math.round((mid > span.toMm ? mid - path.lengthMm - middle : mid - middle) * 10) / 10;
  const place = (edge: EdgeId, offset: number, width: number) => {
    const s = path.edgeSpan(edge);
    const m = (s.fromMm + s.toMm) / 2 + offset;
    return { fromMm: m - width / 2, toMm: m + width / 2 };
  };
  const fold = cableFold(view.device, view.bond, c);
  return (
    <View>
      <Entry label={`${c.id}: name`} value={c.name} onChange={(name) => put({ name: name || c.id })} max={80} />
      <Choice
        label={`${c.name}: crosses at the`}
        value={side}
        options={edges}
        onChange={(e) => put({ at: place(e, 0, c.widthMm) })}
      />
      <Two>
        <Mm
          label={`${c.name}: from the middle of that edge, clockwise`}
          value={along}
          low={-(span.toMm - span.fromMm) / 2}
          high={(span.toMm - span.fromMm) / 2}
          onCommit={(v) => put({ at: place(side, v, c.widthMm) })}
        />
        <Mm
          label={`${c.name}: width`}
          value={c.widthMm}
          low={0.5}
          high={60}
          onCommit={(v) => put({ widthMm: v, at: place(side, along, v) })}
        />
        <Mm
          label={`${c.name}: reaches in`}
          value={c.reachMm}
          low={0.5}
          high={100}
          onCommit={(v) => put({ reachMm: v })}
        />
        <Mm label={`${c.name}: slack`} value={c.slackMm} low={0} high={300} onCommit={(v) => put({ slackMm: v })} />
      </Two>
      <Choice
        label={`${c.name}: the cover is turned over the`}
        value={c.foldToward}
        options={edges}
        onChange={(foldToward) => put({ foldToward })}
      />
      <Tick
        label={`${c.name}: unplug before the cover is turned`}
        on={c.unplugFirst}
        onChange={(unplugFirst) => put({ unplugFirst })}
      />
      <Txt size="s" tone="ink2">
        {fold.maxDeg >= 180
          ? 'Never taut: the cover can be laid right over.'
          : `Taut at ${Math.round(fold.maxDeg)}°; ${fold.neededMm.toFixed(0)} mm of slack would let it be laid right over.`}
      </Txt>
    </View>
  );
}
