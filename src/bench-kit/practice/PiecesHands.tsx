import { useState } from 'react';
import { View } from 'react-native';

import type { PracticeRun } from '@/store/practice';
import { useSettings } from '@/store/shop';
import { Button } from '@/ui/Button';
import { t } from '@/words/practice';
import { told } from '@/words/told';
import { length } from '@/words/units';
import type { PiecesHappened } from '@/core/practice/pieces/bench';
import { HandChoice } from './HandChoice';
import { HandsPanel } from './HandsPanel';
import { happenedText } from './happenedText';
import type { PiecesLab } from './usePiecesLab';

const depthsMm = [3, 6, 10, 15, 20] as const;
const liftsMm = [0.1, 0.2, 0.5, 1, 2] as const;
const choiceOf = <T extends number>(list: readonly T[], text: (v: T) => string) =>
  list.map((v) => ({ id: String(v), name: text(v) }));

/** What came of it, in a line; null: nothing to say. */
export function pieceText(h: PiecesHappened): string | null {
  switch (h.what) {
    case 'pieceOff':
      return t('saidPieceOff');
    case 'pieceHolds':
      return t('saidPieceHolds');
    case 'snapped':
      return t('saidSnapped');
    case 'noEdge':
      return t('saidNoEdge');
    case 'pieceHit':
      return t('saidPieceHit', { name: told(h.name) });
    default:
      return happenedText(h);
  }
}

const serious: ReadonlySet<string> = new Set(['snapped', 'pieceHit', 'flash', 'partHot']);

/** Hands on a shattered cover: how far in, how high, and up it goes. */
export function PiecesHands({ run, lab, stage }: { run: PracticeRun; lab: PiecesLab; stage: string }) {
  const units = useSettings();
  const [depth, setDepth] = useState('10');
  const [lift, setLift] = useState('0.2');
  const { lab: on, state, happened, refused } = lab;
  if (!on || !state) return null;
  const over = state.hit !== null || state.bench.flash || on.bench.allOff(state);
  const last = refused ?? happened.findLast((h) => pieceText(h) !== null) ?? null;
  const text = run.speed === 0 && !over ? t('timeStands') : last ? pieceText(last) : t('piecesHint');
  return (
    <HandsPanel
      stage={stage}
      open={stage === 'lift' || over}
      text={text}
      serious={last !== null && serious.has(last.what)}
      ended={over ? 'over' : state.snaps ? 'soFar' : null}
    >
      {over ? null : (
        <View className="mt-2 gap-2">
          <HandChoice
            shown
            label={t('bladeDepth')}
            value={depth}
            options={choiceOf(depthsMm, (v) => length(v, units, 0))}
            onChange={setDepth}
          />
          <HandChoice
            shown
            label={t('liftHeight')}
            value={lift}
            options={choiceOf(liftsMm, (v) => length(v, units, 1))}
            onChange={setLift}
          />
          <Button
            label={t('leverPiece')}
            disabled={run.speed === 0}
            onPress={() => lab.lever(Number(depth), Number(lift))}
          />
        </View>
      )}
    </HandsPanel>
  );
}
