import { useSyncExternalStore } from 'react';
import { View } from 'react-native';

import { typedCrack } from '@/core/lift/cracks/freehand';
import { pieceReasons } from '@/bench-kit/crackMap';
import { PlainPlan } from '@/bench-kit/PlainPlan';
import { Entry } from '@/bench-kit/Why';
import { Button } from '@/ui/Button';
import { Call } from '@/ui/Call';
import { Choice } from '@/ui/Choice';
import { Chips, Pieces, Stroke } from '@/ui/plan/pieceLayers';
import { Txt } from '@/ui/Txt';
import { area, length } from '@/words/units';
import { strokeStore, placeOf } from './useCrackMapScreen';
import type { PlanSize } from '@/bench-kit/StageShell';
import type { CrackMapScreenState } from './useCrackMapScreen';

type StrokeStore = ReturnType<typeof strokeStore>;

function LiveStroke({ store }: { store: StrokeStore }) {
  const pts = useSyncExternalStore(store.subscribe, store.get, store.get);
  return pts ? <Stroke pts={pts} /> : null;
}

/** What the finger does. */
export function CrackLead({ here: { mode, setMode, setProblem, problem } }: { here: CrackMapScreenState }) {
  return (
    <View>
      <Choice
        label="The finger"
        value={mode}
        options={[
          { id: 'draw', name: 'Draws' },
          { id: 'chip', name: 'Chip' },
          { id: 'rub', name: 'Rubs out' },
          { id: 'look', name: 'Looks' },
        ]}
        onChange={(m) => {
          setMode(m);
          setProblem(null);
        }}
      />
      {problem ? (
        <View role="alert" className="mb-2">
          <Txt tone="caution">{problem}</Txt>
        </View>
      ) : null}
    </View>
  );
}

/** Cracks and pieces. */
export function CrackPicture({
  here: { job, pieces, lines, mode, onStroke, onTap, found, drawn, stroke },
  size,
}: {
  here: CrackMapScreenState;
  size: PlanSize;
}) {
  return (
    <PlainPlan
      job={job}
      size={size}
      label={`Crack map: ${job.cracks.size} cracks, ${pieces.length} ${pieces.length === 1 ? 'piece' : 'pieces'}, ${job.chips.size} chips`}
      lines={lines}
      {...(mode === 'draw' ? { onStroke } : mode === 'look' ? {} : { onTap })}
    >
      {found ? <Pieces pieces={drawn} dangling={found.map.dangling} /> : null}
      <Chips at={[...job.chips.values()]} />
      <LiveStroke store={stroke} />
    </PlainPlan>
  );
}

/** What the map comes to. */
export function CrackCall({
  here: { first, pieces, settings, path, found, job, answer },
}: {
  here: CrackMapScreenState;
}) {
  return (
    <View className="mt-3">
      {first && pieces.length > 1 ? (
        <Call
          sentence={`${pieces.length} pieces. Piece 1 first: ${area(pieces[first.pieceId]!.areaMm2, settings)}, ${placeOf(path, pieces[first.pieceId]!.labelAt)}.`}
          reason={`Because it is ${pieceReasons(first, settings)}. ${found!.steps.filter((s) => s.risk === 2).length} at a camera, left to the end.`}
          tone="ink"
        />
      ) : (
        <Call
          sentence={
            !job.cracks.size
              ? 'No crack drawn.'
              : found
                ? 'One piece: no crack frees a part of the glass.'
                : answer
                  ? 'The pieces are not computed.'
                  : 'Computing the pieces.'
          }
          reason={
            answer && 'problem' in answer
              ? `${answer.problem[0]!.toUpperCase()}${answer.problem.slice(1)}. The cracks are kept; plan the pieces by eye, or load the page again.`
              : 'Draw from edge to edge; an end near an edge or another crack meets it.'
          }
          tone="ink"
        />
      )}
      {found?.map.dangling.length ? (
        <Txt size="s" className="mt-1">
          Dashed: {length(found.map.danglingMm, settings, 0)} of crack ends inside and frees no piece.
        </Txt>
      ) : null}
    </View>
  );
}

/** A crack by its points. */
export function TypeCrack({ here: { typed, setTyped, addCrack } }: { here: CrackMapScreenState }) {
  return (
    <View className="mt-4">
      <Txt strong className="mb-1">
        Type a crack
      </Txt>
      <Entry label="Points as x,y in mm from the top left corner" value={typed} onChange={setTyped} max={100_000} />
      <Button
        kind="small"
        label="Add the crack"
        disabled={!typed.trim()}
        onPress={() => {
          if (addCrack(() => typedCrack(typed, 'crack'))) setTyped('');
        }}
      />
    </View>
  );
}
