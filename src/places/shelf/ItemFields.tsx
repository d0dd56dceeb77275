import type { ReactNode } from 'react';
import { View } from 'react-native';

import { cableFold } from '@/core/device/cableFold';
import { faceView } from '@/core/device/faceView';
import { bondPerimeter } from '@/core/device/perimeter';
import { materials } from '@/core/device/materials';
import type { Cable, Device, EdgeId, Hole, Outline, Part, PartKind } from '@/core/device/types';
import { edgeName } from '@/words/placeNames';
import { Entry } from '@/bench-kit/Why';
import { Choice, Tick } from '@/ui/Choice';
import { Txt } from '@/ui/Txt';
import { bondOf, drawable, placed, turnOf, type Selected } from './editorState';
import { Mm, ShapeFields, Two } from './Fields';
import { t as tr } from '@/words/shelf';
import { digits } from '@/words/units';
import { type Put, ScrewFields } from './ScrewFields';

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
        <Choice
          label={tr('isA', { id: hole.id })}
          value={hole.role}
          options={roles}
          onChange={(role) => put<Hole>({ role })}
        />
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
        label={tr('name', { id: part.id })}
        value={part.name}
        onChange={(name) => put<Part>({ name: name || part.id })}
        max={80}
      />
      {shape}
      <Two>
        <Mm
          label={tr('beginsAtDepth', { name: part.name })}
          value={part.fromDepthMm}
          low={0}
          high={depth}
          onCommit={(v) => put<Part>({ fromDepthMm: v })}
        />
        <Mm
          label={tr('endsAtDepth', { name: part.name })}
          value={part.toDepthMm}
          low={0}
          high={depth}
          onCommit={(v) => put<Part>({ toDepthMm: v })}
        />
        <Mm
          label={tr('toolsKeepAway', { name: part.name })}
          value={part.clearMm.value}
          low={0}
          high={20}
          onCommit={(v) =>
            put<Part>({ clearMm: { value: v, source: { kind: 'judgement', note: tr('setAmongThePhoneModels') } } })
          }
        />
      </Two>
      <Choice
        label={tr('madeOf', { name: part.name })}
        value={part.material}
        options={Object.keys(materials).map((id) => ({ id, name: id }))}
        onChange={(material) => put<Part>({ material })}
      />
      <Tick
        label={tr('canBeTakenOut', { name: part.name })}
        on={part.removable}
        onChange={(removable) => put<Part>({ removable })}
      />
      <Tick
        label={tr('boundToTheBoard', { name: part.name })}
        note={tr('nobodyCanReplaceIt')}
        on={part.bound === true}
        onChange={(bound) => put<Part>({ bound })}
      />
      {part.limitC ? (
        <Txt size="s" tone="ink2">
          {tr('limitsWarningCLimitC', {
            value: part.limitC.caution.value,
            value2: part.limitC.stop.value,
            note: part.limitC.stop.source.note,
          })}
        </Txt>
      ) : null}
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
      <Entry
        label={tr('name', { id: c.id })}
        value={c.name}
        onChange={(name) => put({ name: name || c.id })}
        max={80}
      />
      <Choice
        label={tr('crossesAtThe', { name: c.name })}
        value={side}
        options={edges}
        onChange={(e) => put({ at: place(e, 0, c.widthMm) })}
      />
      <Two>
        <Mm
          label={tr('fromTheMiddleOfThatEdge', { name: c.name })}
          value={along}
          low={-(span.toMm - span.fromMm) / 2}
          high={(span.toMm - span.fromMm) / 2}
          onCommit={(v) => put({ at: place(side, v, c.widthMm) })}
        />
        <Mm
          label={tr('width', { name: c.name })}
          value={c.widthMm}
          low={0.5}
          high={60}
          onCommit={(v) => put({ widthMm: v, at: place(side, along, v) })}
        />
        <Mm
          label={tr('reachesIn', { name: c.name })}
          value={c.reachMm}
          low={0.5}
          high={100}
          onCommit={(v) => put({ reachMm: v })}
        />
        <Mm
          label={tr('slack', { name: c.name })}
          value={c.slackMm}
          low={0}
          high={300}
          onCommit={(v) => put({ slackMm: v })}
        />
      </Two>
      <Choice
        label={tr('theBackTurnsOverThe', { name: c.name })}
        value={c.foldToward}
        options={edges}
        onChange={(foldToward) => put({ foldToward })}
      />
      <Tick
        label={tr('unplugBeforeYouTurnTheBack', { name: c.name })}
        on={c.unplugFirst}
        onChange={(unplugFirst) => put({ unplugFirst })}
      />
      <Txt size="s" tone="ink2">
        {fold.maxDeg >= 180
          ? tr('neverTautYouCanLayThe')
          : tr('tautAtMmOfSlackWould', { maxDeg: Math.round(fold.maxDeg), figure: digits(fold.neededMm) })}
      </Txt>
    </View>
  );
}
