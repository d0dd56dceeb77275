import { checkDevice } from '@/core/device/check';
import { guessDevice } from '@/model/guess';

import { answersOf, cameraBlock, firstAnswers, newModelSchema, sizeOfScreen, tapped, withSize } from './newModel';

const said = { ...firstAnswers(), construction: 'ringGlass' as const };

it('nothing is made before it was said how the back is held; then everything else is usual', () => {
  expect(answersOf(firstAnswers(), 'own', 'own')).toBeNull();
  const d = guessDevice(answersOf(said, 'own', 'own')!);
  expect(checkDevice(d)).toEqual([]);
  expect(d.known).toMatchObject({ size: 'guessed', 'part:camera': 'guessed', 'part:button0': 'guessed' });
});

it('a screen of 16 to 10 by Pythagoras: sides of a 6.1 inch 19.5 to 9 screen are 140.7 and 64.9 mm, the frame comes on top', () => {
  const unit = (6.1 * 25.4) / Math.sqrt(19.5 ** 2 + 9 ** 2);
  expect(sizeOfScreen(6.1).lengthMm - 19.5 * unit).toBeCloseTo(9, 0);
  expect(sizeOfScreen(6.1).widthMm - 9 * unit).toBeCloseTo(6, 0);
});

it('a tap inside brings the cameras, a tap at the edge a key, a second one beside it makes it longer, on it takes it away', () => {
  const camera = tapped(said, [20, 20]);
  expect(camera.cameraAt).toEqual([20, 20]);
  const key = tapped(camera, [1, 60]);
  expect(key.keys).toEqual([{ edge: 'left', fromMm: 53, toMm: 67 }]);
  const longer = tapped(key, [2, 74]);
  expect(longer.keys).toEqual([{ edge: 'left', fromMm: 53, toMm: 81 }]);
  expect(tapped(longer, [2, 70]).keys).toEqual([]);
  expect(tapped(longer, [2, 70]).keysSeen).toBe(true);
  const d = guessDevice(answersOf(longer, 'own', 'own')!);
  expect(d.known).toMatchObject({ 'part:camera': 'seen', 'part:button0': 'seen' });
});

it('another size keeps what still lies on the device', () => {
  const a = withSize(tapped(tapped(said, [20, 20]), [1, 140]), sizeOfScreen(5.4));
  expect(a.cameraAt).toEqual([20, 20]);
  expect(a.keys).toEqual([]);
  expect(withSize(said, sizeOfScreen(10)).inside).toBe('twoCells');
  expect(withSize(withSize(said, sizeOfScreen(10)), sizeOfScreen(6.1)).inside).toBe('boardTop');
});

it('a block never hangs over the edge, wherever it was tapped', () => {
  for (const lenses of [1, 2, 3, 4, 5])
    for (const cameraShape of ['column', 'block', 'bar'] as const)
      for (const at of [
        [0, 0],
        [72, 150],
        [36, 10],
      ] as const) {
        const block = cameraBlock({ ...said, lenses, cameraShape, cameraAt: [...at] })!;
        expect(block.min[0]).toBeGreaterThanOrEqual(0);
        expect(block.max[0]).toBeLessThanOrEqual(said.widthMm);
        expect(block.max[1]).toBeLessThanOrEqual(said.lengthMm);
        expect(
          checkDevice(guessDevice(answersOf({ ...said, lenses, cameraShape, cameraAt: [...at] }, 'o', 'o')!)),
        ).toEqual([]);
      }
});

it('a draft of another version is not taken', () => {
  expect(newModelSchema.safeParse({ ...said, widthMm: 9000 }).success).toBe(false);
  expect(newModelSchema.safeParse(JSON.parse(JSON.stringify(said))).success).toBe(true);
});
