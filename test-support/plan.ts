import { act, screen } from '@testing-library/react';

/** Where a place of the plan lies on the (unplaced) page of a component test. */
function client([x, y]: readonly [number, number]): [number, number] {
  const svg = screen.getByTestId('plan').querySelector('svg')!;
  const [left, top, width] = svg.getAttribute('viewBox')!.split(' ').map(Number) as [number, number, number];
  const mm = width / Number(svg.getAttribute('width'));
  return [(x - left) / mm, (y - top) / mm];
}

const send = (type: string, p: readonly [number, number]) => {
  const [clientX, clientY] = client(p);
  const e = Object.assign(new MouseEvent(type, { clientX, clientY, bubbles: true }), { pointerId: 1 });
  screen.getByTestId('plan').dispatchEvent(e);
};

/** A finger along places of the plan, in mm. */
export const dragMm = (...pts: (readonly [number, number])[]) =>
  act(async () => {
    send('pointerdown', pts[0]!);
    for (let i = 1; i < pts.length; i++)
      for (let k = 1; k <= 12; k++) {
        const [a, b] = [pts[i - 1]!, pts[i]!];
        send('pointermove', [a[0] + ((b[0] - a[0]) * k) / 12, a[1] + ((b[1] - a[1]) * k) / 12]);
      }
    send('pointerup', pts[pts.length - 1]!);
  });

export const tapMm = (p: readonly [number, number]) =>
  act(async () => {
    send('pointerdown', p);
    send('pointerup', p);
  });
