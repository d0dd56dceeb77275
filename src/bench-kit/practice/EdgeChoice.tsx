import type { EdgeId } from '@/core/device/types';
import { t } from '@/words/practice';
import { said } from '@/words/codes';
import { HandChoice } from './HandChoice';

const edges: readonly EdgeId[] = ['bottom', 'left', 'top', 'right'];

/** The edge that hands are at. */
export function EdgeChoice({ shown, onEdge }: { shown: EdgeId; onEdge: (e: EdgeId) => void }) {
  return (
    <HandChoice
      label={t('pickOn')}
      value={shown}
      options={edges.map((id) => ({ id, name: said(id) }))}
      onChange={onEdge}
    />
  );
}
