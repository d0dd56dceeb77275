import { useState } from 'react';

import { useActions } from '@/bench-kit/actions';
import { keepPhoto } from '@/bench-kit/keepPhoto';
import { readPhoto } from '@/bench-kit/readPhoto';
import { isGuessed, factOf } from '@/core/device/known';
import type { Connector, Learned, LearnedKind, LearnedThing, Part, Pt, ScrewHole } from '@/core/device/types';
import { nextPiece, nextPlug, nextScrew } from '@/core/device/learnedPieces';
import { learnedProblem } from '@/core/device/withLearned';
import type { JobState } from '@/model/fold';
import { newId } from '@/store/ids';
import { pickFile } from '@/ui/download';
import { t } from '@/words/jobs';
import { told } from '@/words/told';
import { learnedOf } from '@/work/devices/learnedOf';

export type PlugChoice = 'battery' | Connector['kind'];

/** What is said in words and not at a place. */
const placeless: ReadonlySet<LearnedKind> = new Set(['tip', 'noCable']);
/** What a tap notes at once: many of a kind, one after the other. */
const atOnce: ReadonlySet<LearnedKind> = new Set(['screw', 'plug', 'bracket', 'mesh', 'magnet', 'patch']);

const usualScrew: Pick<ScrewHole, 'head' | 'diaMm' | 'lengthMm'> = { head: 'cross', diaMm: 1.4, lengthMm: 2.5 };

/** Parts whose place somebody can confirm: those that are guessed first. */
function partsToSee(job: JobState): Part[] {
  const parts = job.device.parts.filter((p) => p.kind !== 'rim' && p.kind !== 'midPlate' && p.kind !== 'display');
  const guessed = parts.filter((p) => isGuessed(job.model, factOf.part(p.id)));
  return guessed.length ? guessed : parts;
}

/** Where somebody says what this device has taught: what it is, where, and what that does to the model. */
export function useLearn(job: JobState) {
  const { log } = useActions(job);
  const [what, setWhat] = useState<LearnedKind>(job.opened ? 'screw' : 'tip');
  const [at, setAt] = useState<Pt | null>(null);
  const [text, setText] = useState('');
  const [screw, setScrew] = useState(usualScrew);
  const [plug, setPlug] = useState<PlugChoice>('press');
  const parts = partsToSee(job);
  const [partId, setPartId] = useState(parts[0]?.id ?? null);
  const [problem, setProblem] = useState<string | null>(null);
  const [photo, setPhoto] = useState<string | null>(null);
  const items = learnedOf(job).filter((l) => l.joint === job.bond.id);

  const thingAt = (p: Pt | null): LearnedThing | undefined => {
    // names that were given out once are never given to something else: the log speaks of them
    const taken = job.effective.flatMap((e) => (e.type === 'learned' && e.thing ? [e.thing.id] : []));
    if (what === 'part' && partId) return { kind: 'part', id: partId };
    if (!p) return undefined;
    if (what === 'screw') return nextScrew(job.model, job.bond, p, screw, taken);
    if (what === 'plug')
      return nextPlug(job.model, job.bond, p, plug === 'battery' ? 'press' : plug, plug === 'battery', taken);
    if (what === 'bracket' || what === 'mesh' || what === 'magnet') return nextPiece(job.model, what, taken);
    return undefined;
  };
  const note = (place: Pt | null) => {
    const thing = thingAt(place);
    const item: Learned = {
      itemId: newId(),
      what,
      at: placeless.has(what) ? null : place,
      text: text.trim(),
      joint: job.bond.id,
      ...(thing ? { thing } : {}),
      ...(photo ? { photo } : {}),
    };
    const wrong = thing ? learnedProblem(job.model, item) : null;
    setProblem(wrong && t('thatCannotBeThere', { field: told(wrong.field), given: told(wrong.given) }));
    if (wrong) return;
    void log([
      {
        type: 'learned',
        itemId: item.itemId,
        what,
        place: item.at && [item.at[0], item.at[1]],
        text: item.text,
        on: true,
        ...(thing ? { thing } : {}),
        ...(photo ? { photo } : {}),
      },
    ]);
    setAt(null);
    setText('');
    setPhoto(null);
  };
  const addPhoto = async (camera: boolean) => {
    const file = await pickFile('image/*', camera);
    if (!file) return;
    try {
      const { picture } = await readPhoto(file);
      const kept = await keepPhoto(job, log, picture, file.name, { caption: text.trim() || t('worthRemembering') });
      if ('refused' in kept) return setProblem(kept.refused);
      setPhoto(kept.photoId);
      setProblem(null);
    } catch (e) {
      setProblem(e instanceof Error ? e.message : t('photoNotKept'));
    }
  };
  return {
    job,
    what,
    setWhat: (w: LearnedKind) => {
      setWhat(w);
      setProblem(null);
    },
    at,
    text,
    setText,
    screw,
    setScrew,
    plug,
    setPlug,
    parts,
    partId,
    setPartId,
    problem,
    photo,
    addPhoto,
    items,
    needsPlace: !placeless.has(what) && what !== 'part',
    atOnce: atOnce.has(what),
    onTap: (p: Pt) => {
      if (atOnce.has(what)) return note(p);
      setAt(p);
      if (placeless.has(what)) setWhat('hiddenScrew');
    },
    note: () => note(at),
    takeOut: (l: Learned) =>
      void log([
        {
          type: 'learned',
          itemId: l.itemId,
          what: l.what,
          place: l.at && [l.at[0], l.at[1]],
          text: l.text,
          on: false,
        },
      ]),
  };
}
export type LearnState = ReturnType<typeof useLearn>;
