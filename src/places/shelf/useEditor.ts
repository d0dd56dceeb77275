import { useRouter } from 'expo-router';
import { useEffect, useReducer, useRef, useState } from 'react';
import { useWindowDimensions } from 'react-native';

import { centreOf, duplicateDevice, freshId } from '@/core/device/editing';
import { faceView } from '@/core/device/faceView';
import { factOf, withKnown } from '@/core/device/known';
import { faceOf } from '@/core/device/perimeter';
import type { Bond, Device, Face, Pt } from '@/core/device/types';
import { repository, saveDevice, useDevices } from '@/store/shop';
import { useWide } from '@/ui/useWide';
import { bondOf, dragged, editor, hit, placed, startEditor, turnOf, type ItemKind, type Selected } from './editorState';
import { added } from './editItems';
import { partKinds } from './ItemFields';
import { t as tr } from '@/words/shelf';

export const draftKey = (id: string) => `draft/device/${id}`;

/** The model as it is edited. */
function useModel({ start, saved, own, draft }: { start: Device; saved: Device | null; own: boolean; draft: boolean }) {
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
    change((x) =>
      withKnown(
        { ...x, bonds: x.bonds.map((b) => (b.id === bond.id ? { ...b, ...c } : b)) },
        factOf.bond(bond.id),
        'measured',
      ),
    );
  const select = (selected: Selected | null) => act({ do: 'select', selected });
  const add = (kind: ItemKind, partKind?: (typeof partKinds)[number]['id']) => {
    const more = added(d, s.bondId, kind, partKind);
    change(() => (kind === 'cable' ? withKnown(more.device, 'cables', 'seen') : more.device));
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
    change((x) => withKnown(dragged(x, s.bondId, item, to, s.symmetric), `${item.kind}:${item.id}`, 'seen'), 'same');
  };
  const save = async () => {
    const version = saved ? saved.version + 1 : 1;
    try {
      await saveDevice({ ...d, version });
      await repository.writeExtra(draftKey(d.id), '');
      setDirty(false);
      act({ do: 'reset', device: { ...d, version } });
      setMessage({
        text: tr('isSavedAsVersionOpenJobs', { name: d.name, version }),
        bad: false,
      });
    } catch (e) {
      setMessage({
        text: tr('whatYouTypedIsStillHere', { message: e instanceof Error ? e.message : tr('notSaved') }),
        bad: true,
      });
    }
  };
  const duplicate = async () => {
    const id = freshId(
      `${d.id}copy`,
      devices.map((x) => x.device.id),
    );
    const copy = duplicateDevice(d, id, tr('copy', { name: d.name }).slice(0, 80));
    try {
      await saveDevice(copy);
      router.replace(`/shelf/${id}` as never);
    } catch (e) {
      setMessage({ text: e instanceof Error ? e.message : tr('notCopied'), bad: true });
    }
  };
  return {
    s,
    wide,
    width,
    own,
    saved,
    dirty,
    duplicate,
    d,
    setDirty,
    act,
    change,
    add,
    select,
    bond,
    putBond,
    face,
    putFace,
    first,
    t,
    message,
    height,
    onDrag,
    save,
  };
}

/** How it stands: what Editor shows and does. */
export function useEditor(p: { start: Device; saved: Device | null; own: boolean; draft: boolean }) {
  const so = useModel(p);
  const { s, wide, width, own, saved, dirty } = so;

  const view = faceView(s.drawn, bondOf(s.drawn, s.bondId));
  const items = placed(s.drawn, s.bondId);
  const chosen = items.find((x) => x.kind === s.selected?.kind && x.id === s.selected.id);
  const planWidth = wide ? Math.min(560, width - 620) : width - 32;
  const problems = s.problems;
  const line = own
    ? dirty
      ? tr('ownModelVersionChangedAndNot', { version: saved?.version ?? 1 })
      : tr('ownModelVersion', { version: saved?.version ?? 1 })
    : dirty
      ? tr('shippedModelVersionChangedAndNot', { version: saved?.version ?? 1 })
      : tr('shippedModelVersion', { version: saved?.version ?? 1 });
  return { ...so, items, view, problems, planWidth, chosen, line };
}
export type EditorState = ReturnType<typeof useEditor>;
