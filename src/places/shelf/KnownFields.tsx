import { guessedFacts } from '@/core/device/known';
import { howKnown, type Device, type HowKnown } from '@/core/device/types';
import { Choice } from '@/ui/Choice';
import { Disclosure } from '@/ui/Disclosure';
import { capital } from '@/words/capital';
import { t } from '@/words/shelf';
import { told } from '@/words/told';
import type { EditorState } from './useEditor';
import { guessedWords } from './knownWords';

const hows = {
  guessed: 'howGuessed',
  seen: 'howSeen',
  measured: 'howMeasured',
  drawing: 'howDrawing',
} as const satisfies Record<HowKnown, string>;

/** A part by its own name, everything else by its kind. */
function factName(d: Device, fact: string): string {
  const part = d.parts.find((p) => fact === `part:${p.id}`);
  const hole = d.faces.flatMap((f) => f.holes).find((h) => fact === `hole:${h.id}`);
  const face = d.faces.find((f) => d.bonds.some((b) => fact === `bond:${b.id}` && b.onFace === f.id));
  if (part) return told(part.name);
  if (hole) return hole.id;
  return face ? `${guessedWords([fact])}: ${told(face.name)}` : guessedWords([fact]);
}

/** Every fact of a model that is not from a drawing, and how it is known. */
export function KnownFields({ here: { d, change } }: { here: EditorState }) {
  const facts = Object.entries(d.known ?? {});
  if (!facts.length) return null;
  return (
    <Disclosure title={t('howItIsKnown')}>
      {facts.map(([fact, how]) => (
        <Choice
          key={fact}
          label={capital(factName(d, fact))}
          value={how}
          options={howKnown.map((id) => ({ id, name: t(hows[id]) }))}
          onChange={(to) => change((x) => ({ ...x, known: { ...x.known, [fact]: to } }))}
        />
      ))}
    </Disclosure>
  );
}

/** What of a model nobody has seen yet, as one line; empty when all is known. */
export const guessLine = (d: Device): string => {
  const facts = guessedFacts(d);
  return facts.length ? t('restsOnGuesses', { list: guessedWords(facts) }) : '';
};
