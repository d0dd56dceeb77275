import { useEffect, useRef, useState } from 'react';
import { Modal } from 'react-native';

import { cellBox, cellCount, cellsAt, columns, rows } from './grid';
import { light } from '@/ui/theme';
import { t } from '@/words/deviceTest';

const fill = { position: 'fixed', inset: 0, zIndex: 50, touchAction: 'none', userSelect: 'none' } as const;

/** The whole panel without the browser's bars where it allows that. */
function useWholeScreen(on: () => void) {
  const box = useRef<HTMLDivElement>(null);
  const end = useRef(on);
  useEffect(() => {
    end.current = on;
  });
  useEffect(() => {
    void document.documentElement.requestFullscreen?.().catch(() => {});
    const key = (e: KeyboardEvent) => e.key === 'Escape' && end.current();
    window.addEventListener('keydown', key);
    return () => {
      window.removeEventListener('keydown', key);
      if (document.fullscreenElement) void document.exitFullscreen().catch(() => {});
    };
  }, []);
  return box;
}

/** Drag a finger over the whole panel: every cell that answered is filled. Ends by itself, or with three fingers. */
export function TouchGrid({ onEnd }: { onEnd: (missed: number) => void }) {
  const [fired, setFired] = useState<ReadonlySet<number>>(new Set());
  const [size, setSize] = useState({ w: window.innerWidth, h: window.innerHeight });
  const box = useWholeScreen(() => onEnd(cellCount - fired.size));
  useEffect(() => {
    const fit = () => setSize({ w: window.innerWidth, h: window.innerHeight });
    window.addEventListener('resize', fit);
    return () => window.removeEventListener('resize', fit);
  }, []);
  const touch = (e: React.PointerEvent) => {
    if (e.pointerType === 'mouse' && e.buttons === 0) return;
    const native = e.nativeEvent;
    const list = native.getCoalescedEvents?.() ?? [];
    const cells = (list.length ? list : [native]).flatMap((p) => cellsAt(p.clientX, p.clientY, size.w, size.h));
    // several readings can come before the page is drawn again
    setFired((had) => (cells.every((c) => had.has(c)) ? had : new Set([...had, ...cells])));
  };
  const whole = fired.size === cellCount;
  useEffect(() => {
    if (whole) onEnd(0);
  });
  const fingers = useRef(0);
  return (
    <Modal visible transparent>
      <div
        ref={box}
        role="application"
        aria-label={t('touchGridDragOverEveryCell')}
        data-testid="touch-grid"
        style={{ ...fill, background: light.panel }}
        onPointerDown={(e) => {
          fingers.current++;
          if (fingers.current >= 3) onEnd(cellCount - fired.size);
          else touch(e);
        }}
        onPointerUp={() => (fingers.current = Math.max(0, fingers.current - 1))}
        onPointerCancel={() => (fingers.current = Math.max(0, fingers.current - 1))}
        onPointerMove={touch}
      >
        <svg width={size.w} height={size.h}>
          {Array.from({ length: cellCount }, (_, i) => {
            const b = cellBox(i, size.w, size.h);
            return (
              <rect
                key={i}
                x={b.x}
                y={b.y}
                width={b.w}
                height={b.h}
                fill={fired.has(i) ? light.go : i >= columns * rows ? light.device : light.panel}
                stroke={light.ink}
              />
            );
          })}
          <text x={size.w / 2} y={size.h / 2} textAnchor="middle" fontSize={19} fontFamily="Next_700" fill={light.ink}>
            {t('toGo', { cellCount: cellCount - fired.size })}
          </text>
          <text
            x={size.w / 2}
            y={size.h / 2 + 24}
            textAnchor="middle"
            fontSize={14}
            fontFamily="Next_400"
            fill={light.ink}
          >
            {t('threeFingersStop')}
          </text>
        </svg>
      </div>
    </Modal>
  );
}

const colours = [light.panel, '#000', '#f00', '#0f0', '#00f', '#808080'];
const names = ['white', 'black', 'red', 'green', 'blue', 'grey'];

/** White, black, red, green, blue and grey, one tap each: lines, spots, patches. */
export function ColourScreens({ onEnd }: { onEnd: () => void }) {
  const [i, setI] = useState(0);
  const box = useWholeScreen(onEnd);
  const next = () => (i + 1 < colours.length ? setI(i + 1) : onEnd());
  return (
    <Modal visible transparent>
      <div
        ref={box}
        role="button"
        tabIndex={0}
        aria-label={t('lookForLinesSpotsAndPatches', { i: names[i] })}
        data-testid="colour-screen"
        style={{ ...fill, background: colours[i] }}
        onPointerDown={next}
        onKeyDown={(e) => (e.key === ' ' || e.key === 'Enter') && next()}
      />
    </Modal>
  );
}
