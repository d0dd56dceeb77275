import { useDraggable } from '@dnd-kit/core';
import { createElement, type KeyboardEvent } from 'react';

import type { Bar } from '@/work/bench/lanes';
import { time } from '@/words/units';
import type { Box } from './timeScale';
import { t } from '@/words/bench';

/** a finger needs this much, px */
const leastPx = 30;

export const barId = (b: Bar) => `${b.entry.job}|${b.entry.task}|${b.entry.startS}`;

/** What is taken hold of: lies over a bar, wide enough for a finger. Enter chooses, the space bar takes it up to be moved. */
export function BarHandle({
  bar,
  row,
  task,
  box,
  onChoose,
}: {
  bar: Bar;
  /** one bar stands in every lane that it needs */
  row: string;
  task: string;
  box: Box;
  onChoose: () => void;
}) {
  const { setNodeRef, attributes, listeners, isDragging } = useDraggable({
    id: `${row}|${barId(bar)}`,
    data: { bar, row },
    disabled: bar.state === 'going',
  });
  const wider = Math.max(0, leastPx - box.w) / 2;
  return createElement('div', {
    ref: setNodeRef,
    ...attributes,
    ...listeners,
    role: 'button',
    tabIndex: 0,
    'aria-disabled': undefined,
    'aria-label': t('to', { label: bar.label, task, fromAt: time(bar.fromAt), toAt: time(bar.toAt) }),
    onClick: onChoose,
    onKeyDown: (e: KeyboardEvent) => {
      if (e.key === 'Enter' && !isDragging) {
        e.preventDefault();
        onChoose();
      } else listeners?.onKeyDown?.(e);
    },
    style: {
      position: 'absolute',
      left: box.x - wider,
      top: box.y,
      width: box.w + 2 * wider,
      height: box.h,
      cursor: bar.state === 'going' ? 'pointer' : 'grab',
      touchAction: 'manipulation',
      // the wider one lies under its neighbours, so that each can be hit
      zIndex: wider > 0 ? 2 : 1,
    },
  });
}
