import { capital } from '@/words/capital';
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
import { crackCounts } from './crackCounts';
import { strokeStore, placeOf } from './useCrackMapScreen';
import type { PlanSize } from '@/bench-kit/StageShell';
import type { CrackMapScreenState } from './useCrackMapScreen';
import { t } from '@/words/intake';

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
        label={t('theFinger')}
        value={mode}
        options={[
          { id: 'draw', name: t('draws') },
          { id: 'chip', name: t('chip') },
          { id: 'rub', name: t('rubsOut') },
          { id: 'look', name: t('justLooks') },
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
      label={t('crackMapOf', {
        list: crackCounts({ cracks: job.cracks.size, pieces: pieces.length, chips: job.chips.size }),
      })}
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
          sentence={t('piecesPiece1First', {
            count: pieces.length,
            areaMm2: area(pieces[first.pieceId]!.areaMm2, settings),
            path: placeOf(path, pieces[first.pieceId]!.labelAt),
          })}
          reason={t('becauseItIsAtACamera', {
            first: pieceReasons(first, settings),
            n: found!.steps.filter((s) => s.risk === 2).length,
          })}
          tone="ink"
        />
      ) : (
        <Call
          sentence={
            !job.cracks.size
              ? t('noCrackDrawn')
              : found
                ? t('onePieceNoCrackFreesA')
                : answer
                  ? t('thePiecesCouldNotBeWorked')
                  : t('workingOutThePieces')
          }
          reason={
            answer && 'problem' in answer
              ? t('theCracksAreKeptPlanThe', {
                  problem: capital(answer.problem),
                })
              : t('drawFromEdgeToEdgeAn')
          }
          tone="ink"
        />
      )}
      {found?.map.dangling.length ? (
        <Txt size="s" className="mt-1">
          {t('dashedOfCrackEndsInsideAnd', { danglingMm: length(found.map.danglingMm, settings, 0) })}
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
        {t('typeACrack')}
      </Txt>
      <Entry label={t('pointsAsXYInMm')} value={typed} onChange={setTyped} max={100_000} />
      <Button
        kind="small"
        label={t('addTheCrack')}
        disabled={!typed.trim()}
        onPress={() => {
          if (addCrack(() => typedCrack(typed, 'crack'))) setTyped('');
        }}
      />
    </View>
  );
}
