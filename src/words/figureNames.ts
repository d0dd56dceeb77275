import { own } from '@/core/bare';
import { figureParts, placeParts, words } from '@/work/findFigures';
import { capital } from './capital';
import { parts as english } from './figureParts';
import type { FigureWords } from './sourceText';

const partName = (part: string, said: FigureWords | null): string =>
  (said && own(said.parts, part)) ?? own(english, part) ?? words(part);

/** A figure as it is read: "adhesives.foamRing.debond.tgC" as "Foam ring, debond, glass transition" in °C. */
export function figureTitle(name: string, said: FigureWords | null): { title: string; unit: string } {
  const { parts, unit } = figureParts(name);
  return { title: capital(parts.map((p) => partName(p, said)).join(', ')), unit };
}

/** "core/lift/depth.ts" as "lift, depth". */
export const placeName = (file: string, said: FigureWords | null): string =>
  placeParts(file)
    .map((p) => partName(p, said))
    .join(', ');
