import { coverKindOf } from '@/core/device/coverKinds';
import { useRouter } from 'expo-router';
import { useEffect, useReducer, useRef, useState } from 'react';
import { Pressable, ScrollView, useWindowDimensions, View } from 'react-native';

import { adhesives } from '@/core/adhesives';
import { centreOf, duplicateDevice, freshId, withCoverThickness, withOutline } from '@/core/device/editing';
import { faceView } from '@/core/device/faceView';
import { faceOf } from '@/core/device/perimeter';
import type { Bond, Construction, Device, Face, Outline, Pt } from '@/core/device/types';
import { functionTests } from '@/core/functions/tables';
import { coverOfKind } from '@/model/buildDevice';
import { deviceSchema } from '@/model/device';
import { writeDeviceFile } from '@/model/files';
import { Entry } from '@/bench-kit/Why';
import { repository, saveDevice, useDevices } from '@/store/shop';
import { Button } from '@/ui/Button';
import { Choice, Tick } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { download } from '@/ui/download';
import { PlaceFrame } from '@/bench-kit/PlaceFrame';
import { DeviceBody, DeviceLines } from '@/ui/plan/BaseLayer';
import { Outlines } from '@/ui/plan/layers';
import { Plan } from '@/ui/plan/Plan';
import { Txt } from '@/ui/Txt';
import { useWide } from '@/ui/useWide';
import {
  added,
  bondOf,
  dragged,
  editor,
  hit,
  placed,
  removed,
  startEditor,
  turned,
  turnOf,
  withItem,
  withShapeBothSides,
  withTwin,
  type ItemKind,
  type Selected,
} from './editorState';
import { Mm, ShapeFields, Two } from './Fields';
import { ItemFields, partKinds } from './ItemFields';

const constructions: { id: Construction; name: string }[] = [
  { id: 'ringGlass', name: 'Glass on a ring' },
  { id: 'ringPlastic', name: 'Plastic on a ring' },
  { id: 'fullGlass', name: 'Glass glued all over' },
  { id: 'clipped', name: 'Clips' },
  { id: 'lensInRing', name: 'Lens cover in a ring' },
  { id: 'frameLens', name: 'Lens glass in a frame' },
];
const zones: { id: Bond['zone']; name: string }[] = [
  { id: 'ring', name: 'Ring' },
  { id: 'fullArea', name: 'Whole area' },
  { id: 'clips', name: 'Clips only' },
];

const draftKey = (id: string) => `draft/device/${id}`;

/** Opens a model in the editor, with what was typed and not saved the last time. */
export function DeviceScreen({ id }: { id: string }) {
  const devices = useDevices();
  const found = devices.find((d) => d.device.id === id);
  const [draft, setDraft] = useState<Device | null | undefined>(undefined);
  useEffect(() => {
    let gone = false;
    void repository.readExtra(draftKey(id)).then(
      (text) => {
        if (!gone) setDraft(readDraft(text));
      },
      () => {
        if (!gone) setDraft(null);
      },
    );
    return () => {
      gone = true;
    };
  }, [id]);
  if (draft === undefined) return <PlaceFrame title="Shelf">{null}</PlaceFrame>;
  const start = draft ?? found?.device;
  if (!start)
    return (
      <PlaceFrame title="Shelf" line="There is no such device model in this browser.">
        {null}
      </PlaceFrame>
    );
  return (
    <Editor key={id} start={start} saved={found?.device ?? null} own={found?.own ?? false} draft={draft !== null} />
  );
}

function readDraft(text: string | null): Device | null {
  if (!text) return null;
  try {
    const read = deviceSchema.safeParse(JSON.parse(text));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}

function Editor({ start, saved, own, draft }: { start: Device; saved: Device | null; own: boolean; draft: boolean }) {
  const [s, act] = useReducer(editor, start, startEditor);
  const [dirty, setDirty] = useState(draft);
  const [message, setMessage] = useState<{ text: string; bad: boolean } | null>(null);
  const router = useRouter();
  const wide = useWide();
  const { width, height } = useWindowDimensions();
  const devices = useDevices();
  const grip = useRef<Pt | null>(null);
  const d = s.now;
  const bond = bondOf(d, s.bondId);
  const face = faceOf(d, bond);
  const t = turnOf(d, s.bondId);
  const first = d.leaves.find((l) => l.id === t.leafId)!;

  const change = (make: (x: Device) => Device, step?: 'same') => {
    act({ do: 'edit', make, ...(step ? { step } : {}) });
    setDirty(true);
    setMessage(null);
  };
  // what is typed is kept from one moment to the next, also through a reload
  useEffect(() => {
    if (dirty) void repository.writeExtra(draftKey(d.id), JSON.stringify(d));
  }, [d, dirty]);

  const putFace = (c: Partial<Face>) =>
    change((x) => ({ ...x, faces: x.faces.map((f) => (f.id === face.id ? { ...f, ...c } : f)) }));
  const putBond = (c: Partial<Bond>) =>
    change((x) => ({ ...x, bonds: x.bonds.map((b) => (b.id === bond.id ? { ...b, ...c } : b)) }));
  const select = (selected: Selected | null) => act({ do: 'select', selected });
  const add = (kind: ItemKind, partKind?: (typeof partKinds)[number]['id']) => {
    const more = added(d, s.bondId, kind, partKind);
    change(() => more.device);
    select(more.item);
  };
  const onDrag = (phase: 'start' | 'move' | 'end', p: Pt) => {
    if (phase === 'start') {
      const at = hit(d, s.bondId, p);
      select(at ? { kind: at.kind, id: at.id } : null);
      grip.current = at ? [centreOf(at.shape)[0] - p[0], centreOf(at.shape)[1] - p[1]] : null;
      // one step to undo for the whole drag
      if (at) change((x) => ({ ...x }));
      return;
    }
    if (phase === 'end' || !grip.current || !s.selected) return;
    const to: Pt = [p[0] + grip.current[0], p[1] + grip.current[1]];
    const item = s.selected;
    change((x) => dragged(x, s.bondId, item, to, s.symmetric), 'same');
  };
  const save = async () => {
    const version = saved ? saved.version + 1 : 1;
    try {
      await saveDevice({ ...d, version });
      await repository.writeExtra(draftKey(d.id), '');
      setDirty(false);
      act({ do: 'reset', device: { ...d, version } });
      setMessage({
        text: `${d.name} is saved as version ${version}. Jobs that are open keep the one they have.`,
        bad: false,
      });
    } catch (e) {
      setMessage({ text: `${e instanceof Error ? e.message : 'not saved'}; what was typed is still here.`, bad: true });
    }
  };
  const duplicate = async () => {
    const id = freshId(
      `${d.id}copy`,
      devices.map((x) => x.device.id),
    );
    const copy = duplicateDevice(d, id, `${d.name} copy`.slice(0, 80));
    try {
      await saveDevice(copy);
      router.replace(`/shelf/${id}` as never);
    } catch (e) {
      setMessage({ text: e instanceof Error ? e.message : 'not copied', bad: true });
    }
  };

  const view = faceView(s.drawn, bondOf(s.drawn, s.bondId));
  const items = placed(s.drawn, s.bondId);
  const chosen = items.find((x) => x.kind === s.selected?.kind && x.id === s.selected.id);
  const planWidth = wide ? Math.min(560, width - 620) : width - 32;
  const problems = s.problems;
  const plan = (
    <View>
      <Plan
        device={view.device}
        bond={view.bond}
        width={planWidth}
        height={wide ? Math.max(320, height - 260) : 380}
        label={`${d.name}, ${face.name}`}
        lines={[...items.map((x) => x.name), ...view.device.cables.map((c) => c.name)]}
        onDrag={onDrag}
      >
        <DeviceBody />
        <Outlines items={items.map((x) => ({ shape: x.shape, on: x === chosen }))} />
        <DeviceLines />
      </Plan>
      {s.drawn !== d ? (
        <Txt size="s" tone="caution">
          The plan shows the last model that can be drawn.
        </Txt>
      ) : null}
      <Tick label="Both sides at once" on={s.symmetric} onChange={(on) => act({ do: 'symmetric', on })} />
    </View>
  );
  const checks = (
    <View
      role={problems.length ? 'alert' : 'status'}
      testID="checks"
      className={`border-[1.5px] p-3 my-2 bg-panel ${problems.length ? 'border-caution' : 'border-go'}`}
    >
      {problems.length ? (
        problems.slice(0, 6).map((p) => (
          <Txt key={`${p.field}${p.given}${p.allowed}`} size="s" tone="caution">
            {p.field}: {p.given}, allowed is {p.allowed}.
          </Txt>
        ))
      ) : (
        <Txt size="s">
          The model is sound: nothing outside, no bond over a lens, every cable long enough for its fold.
        </Txt>
      )}
    </View>
  );
  const fields = (
    <View>
      {message ? (
        <View role={message.bad ? 'alert' : 'status'}>
          <Txt tone={message.bad ? 'caution' : 'go'} testID="message">
            {message.text}
          </Txt>
        </View>
      ) : null}
      {checks}
      <Entry
        label="Name of the model"
        value={d.name}
        onChange={(name) => change((x) => ({ ...x, name: name || 'model' }))}
        max={80}
      />
      {d.bonds.length > 1 ? (
        <Choice
          label="Face"
          value={s.bondId}
          options={d.bonds.map((b) => ({ id: b.id, name: d.faces.find((f) => f.id === b.onFace)?.name ?? b.onFace }))}
          onChange={(bondId) => act({ do: 'bond', bondId })}
        />
      ) : null}
      {s.selected ? (
        <View className="border-[1.5px] border-ink p-3 mb-3 bg-panel" testID="item">
          <ItemFields
            device={d}
            bondId={s.bondId}
            item={s.selected}
            onShape={(shape: Outline) => {
              const item = s.selected!;
              change((x) => withShapeBothSides(x, s.bondId, item, shape, s.symmetric));
            }}
            onItem={(make) => {
              const item = s.selected!;
              change((x) => withItem(x, s.bondId, item, make as never));
            }}
          />
          <View className="flex-row flex-wrap gap-2 mt-2">
            <Button
              kind="small"
              label="Twin on the other side"
              disabled={s.selected.kind === 'cable' || !withTwin(d, s.bondId, s.selected)}
              onPress={() => {
                const twin = withTwin(d, s.bondId, s.selected!);
                if (!twin) return;
                change(() => twin.device);
                select(twin.item);
              }}
            />
            <Button
              kind="small"
              label="Take it out"
              onPress={() => {
                const item = s.selected!;
                select(null);
                change((x) => removed(x, s.bondId, item));
              }}
            />
            <Button kind="small" label="Close" onPress={() => select(null)} />
          </View>
        </View>
      ) : null}
      <Disclosure title="Outline and thickness" open={!s.selected}>
        <ShapeFields
          name="Outline"
          shape={turned(first.outline, t)}
          allowed={['roundRect', 'polygon']}
          sizeOnly
          onChange={(o) =>
            change((x) => {
              const stored = turned(o, t);
              if (x.leaves[0]!.id === t.leafId) return withOutline(x, stored);
              const turnedFirst = { ...x, leaves: [first, ...x.leaves.filter((l) => l !== first)] };
              const done = withOutline(turnedFirst, stored);
              return { ...done, leaves: x.leaves.map((l) => done.leaves.find((y) => y.id === l.id)!) };
            })
          }
        />
        <Two>
          <Mm
            label="Thickness of the device"
            value={first.thicknessMm}
            low={2}
            high={40}
            onCommit={(v) =>
              change((x) => ({ ...x, leaves: x.leaves.map((l) => (l.id === t.leafId ? { ...l, thicknessMm: v } : l)) }))
            }
          />
        </Two>
        <Choice
          label="Kind"
          value={d.kind}
          options={[
            { id: 'phone', name: 'Phone' },
            { id: 'tablet', name: 'Tablet' },
          ]}
          onChange={(kind) => change((x) => ({ ...x, kind }))}
        />
        <Choice
          label="The inside is reached through the"
          value={d.insideThrough}
          options={d.faces.filter((f) => !coverKindOf(f).lens).map((f) => ({ id: f.id, name: f.name }))}
          onChange={(insideThrough) => change((x) => ({ ...x, insideThrough }))}
        />
      </Disclosure>
      <Disclosure title={`Cover: ${constructions.find((c) => c.id === face.construction)!.name}`}>
        <Choice
          label="Construction"
          value={face.construction}
          options={constructions}
          onChange={(c) => putFace(coverOfKind(c, face.cover.outline, face.cover.hMm, face.cover.insetToFrameMm))}
        />
        <Two>
          <Mm
            label="Thickness of the cover"
            value={face.cover.hMm}
            low={0.2}
            high={5}
            onCommit={(v) => change((x) => withCoverThickness(x, face.id, v))}
          />
          <Mm
            label="Gap to the frame"
            value={face.cover.insetToFrameMm}
            low={0}
            high={3}
            onCommit={(v) => putFace({ cover: { ...face.cover, insetToFrameMm: v } })}
          />
        </Two>
        <Tick
          label="Printed colour layer"
          on={face.cover.printLayer}
          onChange={(printLayer) => putFace({ cover: { ...face.cover, printLayer } })}
        />
      </Disclosure>
      <Disclosure title="Bond">
        <Choice label="Glued" value={bond.zone} options={zones} onChange={(zone) => putBond({ zone })} />
        <Two>
          <Mm label="Ring width" value={bond.widthMm} low={0.5} high={30} onCommit={(v) => putBond({ widthMm: v })} />
          <Mm label="Ring inset" value={bond.insetMm} low={0} high={20} onCommit={(v) => putBond({ insetMm: v })} />
          <Mm label="Bond line" value={bond.gapMm} low={0.05} high={2} onCommit={(v) => putBond({ gapMm: v })} />
        </Two>
        <Choice
          label="Adhesive"
          value={bond.adhesive}
          options={[...adhesives.values()].map((a) => ({ id: a.id, name: a.name }))}
          onChange={(adhesive) => putBond({ adhesive })}
        />
      </Disclosure>
      <Disclosure title={`Lenses, parts, cables, screws (${items.length + view.device.cables.length})`} open>
        <View className="flex-row flex-wrap gap-2 mb-3">
          <Button kind="small" label="Add a lens" onPress={() => add('hole')} />
          <Button kind="small" label="Add a cable" onPress={() => add('cable')} />
          <Button kind="small" label="Add a screw" onPress={() => add('screw')} />
          <Button kind="small" label="Add a glued patch" onPress={() => add('patch')} />
          {partKinds.slice(0, 9).map((k) => (
            <Button key={k.id} kind="small" label={`Add a ${k.name}`} onPress={() => add('part', k.id)} />
          ))}
        </View>
        <View role="list" aria-label="Items">
          {[
            ...items.map((x) => ({ kind: x.kind, id: x.id, name: x.name })),
            ...view.device.cables.map((c) => ({ kind: 'cable' as const, id: c.id, name: c.name })),
          ].map((x) => (
            <View key={`${x.kind}${x.id}`} role="listitem">
              <Pressable
                role="button"
                aria-label={`Edit ${x.name}`}
                onPress={() => select({ kind: x.kind, id: x.id })}
                className="min-h-[44px] justify-center border-b border-rule"
              >
                <Txt strong={s.selected?.id === x.id && s.selected.kind === x.kind}>{x.name}</Txt>
              </Pressable>
            </View>
          ))}
        </View>
      </Disclosure>
      <Disclosure title={`Functions (${d.functions.length})`}>
        {functionTests.map((f) => (
          <Tick
            key={f.id}
            label={f.name}
            on={d.functions.includes(f.id)}
            onChange={(on) =>
              change((x) => ({ ...x, functions: on ? [...x.functions, f.id] : x.functions.filter((y) => y !== f.id) }))
            }
          />
        ))}
      </Disclosure>
      <View className="flex-row flex-wrap gap-2 mt-3">
        <Button kind="small" label="Duplicate" onPress={() => void duplicate()} />
        <Button
          kind="small"
          label="Export the model"
          onPress={() => download(`${d.id}.device.northcove.json`, writeDeviceFile(d, Date.now()))}
        />
        {dirty && saved ? (
          <Button
            kind="small"
            label="Drop the changes"
            onPress={() => {
              void repository.writeExtra(draftKey(d.id), '');
              setDirty(false);
              act({ do: 'reset', device: saved });
            }}
          />
        ) : null}
      </View>
    </View>
  );
  const actions = (
    <>
      <View className="flex-1">
        <Button label="Undo" disabled={!s.past.length} onPress={() => act({ do: 'undo' })} />
      </View>
      <View className="flex-[2]">
        <Button
          kind="main"
          label="Save the model"
          disabled={!dirty || problems.length > 0}
          {...(problems.length ? { why: `${problems.length} to put right` } : dirty ? {} : { why: 'nothing changed' })}
          onPress={() => void save()}
        />
      </View>
    </>
  );
  const line = `${own ? 'own model' : 'shipped model'}, version ${saved?.version ?? 1}${dirty ? ', changed and not saved' : ''}`;
  return (
    <PlaceFrame title={d.name} line={line} actions={actions}>
      {wide ? (
        <View className="flex-row gap-6">
          <View>{plan}</View>
          <ScrollView className="flex-1">{fields}</ScrollView>
        </View>
      ) : (
        <>
          {plan}
          {fields}
        </>
      )}
    </PlaceFrame>
  );
}
