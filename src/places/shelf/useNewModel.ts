import { useRouter, type Href } from 'expo-router';
import { useMemo, useState } from 'react';
import { useWindowDimensions } from 'react-native';

import { checkDevice } from '@/core/device/check';
import { coverKindOf } from '@/core/device/coverKinds';
import { freshId } from '@/core/device/editing';
import { faceView, type FaceView } from '@/core/device/faceView';
import { guessedFacts } from '@/core/device/known';
import { faceOf } from '@/core/device/perimeter';
import type { Device, Pt } from '@/core/device/types';
import { CoreInputError } from '@/core/errors';
import { guessDevice } from '@/model/guess';
import { saveDevice, useDevices, useSettings } from '@/store/shop';
import { keepModelPhoto, readDraftPhoto, withPicture, writeDraftPhoto } from '@/store/modelPhoto';
import type { Traced } from '@/core/trace/traceDevice';
import type { PlanPhoto } from '@/ui/plan/PhotoLayer';
import { useDraft } from '@/ui/draft';
import { useWide } from '@/ui/useWide';
import { answersOf, firstAnswers, newModelSchema, tapped, withTrace, type NewModel } from '@/work/devices/newModel';
import { t } from '@/words/shelf';
import { told } from '@/words/told';
import { length } from '@/words/units';

/** The photo of a model that is not saved yet goes by this name. */
const unsaved = 'unsaved';

/** The face that cameras and keys are tapped on: the back as it is looked at. */
function backOf(d: Device): FaceView {
  const back = d.bonds.find((b) => {
    const f = faceOf(d, b);
    return f.side === 'back' && !coverKindOf(f).lens;
  });
  return faceView(d, back ?? d.bonds.find((b) => faceOf(d, b).side === 'back') ?? d.bonds[0]!);
}

function readDraft(text: string): NewModel | null {
  try {
    const read = newModelSchema.safeParse(JSON.parse(text));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}

/** A model made from five answers, drawn while they are given. */
export function useNewModel(from: 'job' | 'shelf') {
  const router = useRouter();
  const devices = useDevices();
  const units = useSettings();
  const wide = useWide();
  const { width } = useWindowDimensions();
  const [a, put] = useState(firstAnswers);
  const [problem, setProblem] = useState<string | null>(null);
  const [tracing, setTracing] = useState(false);
  const [photo, setPhoto] = useState<PlanPhoto | null>(null);
  const keep = useDraft(
    'new model',
    (text) => {
      const kept = readDraft(text);
      if (!kept) return;
      put(kept);
      void readDraftPhoto(unsaved).then(setPhoto);
    },
    true,
  );
  const set = (change: (x: NewModel) => NewModel) => {
    const next = change(a);
    put(next);
    keep(JSON.stringify(next));
    setProblem(null);
  };
  const usualName = t('sizedPhone', { width: length(a.widthMm, units, 0), length: length(a.lengthMm, units, 0) });
  const name = a.name.trim() || usualName;
  const made = useMemo((): { device: Device; view: FaceView; turned: boolean } | { wrong: string } | null => {
    const answers = answersOf(a, 'new', name);
    // the plan stands there before it was said how the back is held
    const drawn = answers ?? answersOf({ ...a, construction: 'ringGlass' }, 'new', name)!;
    try {
      const device = guessDevice(drawn);
      const [first] = checkDevice(device);
      if (first)
        return {
          wrong: t('youEntered', { field: told(first.field), allowed: told(first.allowed), given: told(first.given) }),
        };
      const view = backOf(device);
      return { device, view, turned: faceOf(view.device, view.bond).side === 'front' };
    } catch (e) {
      return { wrong: e instanceof CoreInputError ? told(e.message) : String(e) };
    }
  }, [a, name]);
  const save = async () => {
    const id = freshId(
      `own${Math.round(a.widthMm)}x${Math.round(a.lengthMm)}`,
      devices.map((d) => d.device.id),
    );
    const answers = answersOf(a, id, name);
    if (!answers) return;
    try {
      const device = guessDevice(answers);
      // the model stands without its photo, too
      const picture = photo
        ? await keepModelPhoto(photo, { face: backOf(device).bond.onFace, inside: false }).catch(() => null)
        : null;
      await saveDevice(picture ? withPicture(device, picture) : device);
      await writeDraftPhoto(unsaved, null).catch(() => false);
      keep(null);
      router.replace((from === 'job' ? `/jobs/new?model=${id}` : `/shelf/${id}`) as Href);
    } catch (e) {
      setProblem(t('whatYouTypedIsStillHere', { message: e instanceof Error ? told(e.message) : t('notSaved') }));
    }
  };
  return {
    a,
    set,
    tracing,
    photo,
    trace: () => setTracing(true),
    onTraced: (traced: Traced, camera: readonly [Pt, Pt] | null, made: PlanPhoto) => {
      set((x) => withTrace(x, { ...traced, camera }));
      setPhoto(made);
      void writeDraftPhoto(unsaved, made).catch(() => false);
      setTracing(false);
    },
    // a device that is closed behind is looked at from the front: its plan is turned over
    onTap: (p: Pt) => set((x) => tapped(x, made && 'view' in made && made.turned ? [x.widthMm - p[0], p[1]] : p)),
    device: made && 'device' in made ? made.device : null,
    view: made && 'view' in made ? made.view : null,
    wrong: made && 'wrong' in made ? made.wrong : null,
    guessed: made && 'device' in made ? guessedFacts(made.device) : [],
    problem,
    usualName,
    save,
    units,
    wide,
    planWidth: wide ? Math.min(420, width / 3) : width - 32,
    back: () => router.back(),
  };
}
export type NewModelState = ReturnType<typeof useNewModel>;
