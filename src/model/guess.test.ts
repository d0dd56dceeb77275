import { readFileSync } from 'node:fs';

import { checkDevice } from '../core/device/check';
import { faceView } from '../core/device/faceView';
import { guessedFacts, guessErrorK, guessK, insideGuessed } from '../core/device/known';
import { bondPerimeter, faceOf } from '../core/device/perimeter';
import { boxOf, insideDistanceMm } from '../core/device/shapes';
import { heatModelled, toThermalStack } from '../core/device/thermalStack';
import type { Device, EdgeId } from '../core/device/types';
import { coarseErrorK, coarseModes } from '../core/heat/coarse';
import { defaultPlate } from '../core/heat/heater';
import { ReducedModel } from '../core/heat/reduced';
import { arcCells } from '../core/heat/arcs';
import { HeatRun } from '../core/heat/run';
import { depthLimitAt, keepOuts, liftOuts } from '../core/lift/depth';
import shippedModes from '../store/shippedModes.json';
import { guessDevice } from './guess';
import { lensesIn, type ModelAnswers } from './guessAnswers';
import { decodeModes } from './modesFile';
import { deviceSchema } from './device';
import { shippedDevices } from './shippedDevices';

/** What somebody sees of a device who has it in the hand: outside only. */
function seenOutside(d: Device): ModelAnswers {
  const leaf = d.leaves[0]!;
  const { max } = boxOf(leaf.outline);
  const own = d.parts.filter((p) => (p.leaf ?? leaf.id) === leaf.id);
  const back = d.faces.find((f) => f.side === 'back' && f.leaf === leaf.id)!;
  const camera = own.find((p) => p.kind === 'camera');
  return {
    id: 'own',
    name: 'own',
    construction: d.faces.some((f) => f.construction === 'lensInRing') ? 'lensInRing' : back.construction,
    opensFrom: d.insideThrough === 'front' ? 'front' : 'back',
    lengthMm: max[1],
    widthMm: max[0],
    thicknessMm: leaf.thicknessMm,
    sizeMeasured: true,
    thicknessMeasured: true,
    camera: camera
      ? { ...boxOf(camera.shape), lenses: Math.max(1, back.holes.filter((h) => h.role === 'camera').length) }
      : null,
    cameraSeen: true,
    keys: own
      .filter((p) => p.kind === 'button')
      .map((p) => {
        const b = boxOf(p.shape);
        const edge: EdgeId = b.min[0] < max[0] / 2 ? 'left' : 'right';
        return { edge, fromMm: b.min[1], toMm: b.max[1] };
      }),
    keysSeen: true,
    inside: max[0] > 110 ? 'twoCells' : 'boardTop',
    coil: null,
  };
}

const whole = (d: Device) => new Set(d.parts.map((p) => p.id));
const guesses = shippedDevices.map((truth) => ({ truth, guess: guessDevice(seenOutside(truth)) }));

describe('a model from what is seen outside', () => {
  it.each(guesses.map((g) => [g.truth.id, g] as const))(
    '%s: holds together, is taken as a file, says what it guesses',
    (_, { guess }) => {
      expect(checkDevice(guess)).toEqual([]);
      expect(deviceSchema.parse(JSON.parse(JSON.stringify(guess)))).toEqual(guess);
      expect(insideGuessed(guess)).toBe(true);
      // the first off and the last on: every model has one, on the device
      const [own] = guess.connectors.filter((c) => c.battery);
      expect(insideDistanceMm(guess.leaves[0]!.outline, own!.at)).toBeGreaterThan(2);
      expect(guessedFacts(guess)).toEqual(expect.arrayContaining(['layers', 'cables', 'small']));
      expect(guessedFacts(guess)).not.toContain('size');
    },
  );

  // the true device stands for the drawing that nobody has: its modes are those that ship, on the check grid
  const modelled = guesses.filter(({ truth }) => {
    const { device, bond } = faceView(truth, truth.bonds[0]!);
    return heatModelled(device, bond) && truth.id in shippedModes;
  });
  it.each(modelled.map((g) => [g.truth.id, g] as const))(
    '%s: a first look at the guess is within its own range at every edge, and parts under it, at the usual instant',
    (id, { truth, guess }) => {
      const fine = `public/modes/${shippedModes[id as keyof typeof shippedModes]}.json`;
      const exact = new ReducedModel(
        decodeModes(readFileSync(fine, 'utf8'), shippedModes[id as keyof typeof shippedModes])!,
      );
      const seen = faceView(guess, guess.bonds[0]!);
      const { side } = faceOf(guess, guess.bonds[0]!);
      const error = coarseErrorK[side];
      const first = new ReducedModel(coarseModes(toThermalStack(seen.device, seen.bond, whole(seen.device)), side));
      const at = faceView(truth, truth.bonds[0]!);
      const look = (model: ReducedModel, lengthMm: number, tS: number) => {
        const run = HeatRun.start(model, defaultPlate, 22, [{ atS: 0, setC: 110, preheated: true }]);
        return {
          edgesC: run.arcsC(tS, arcCells(model, lengthMm)).map((r) => r.mean),
          batteryC: run.partC(tS, 'battery')!.mean,
        };
      };
      const trueMm = bondPerimeter(at.device, at.bond).lengthMm;
      // when the glue is usually easy: the middle of the edges at 72 °C
      let usualS = 20;
      for (; usualS < 600; usualS += 5) {
        const { edgesC } = look(exact, trueMm, usualS);
        if (edgesC.reduce((m, v) => m + v, 0) / edgesC.length >= 72) break;
      }
      const a = look(exact, trueMm, usualS);
      const b = look(first, bondPerimeter(seen.device, seen.bond).lengthMm, usualS);
      const off = b.edgesC.map((v, i) => v - a.edgesC[i]!).sort((p, q) => p - q);
      // 95 % of the edges within what is said: the grid's error and the guess's together
      const tail = Math.floor(off.length * 0.05);
      expect(off[tail]!).toBeGreaterThan(-(error.bondHigh + guessK.bondHigh));
      expect(off[off.length - 1 - tail]!).toBeLessThan(error.bondLow + guessK.bondLow);
      expect(a.batteryC).toBeLessThan(b.batteryC + error.partHigh + guessK.partHigh);
    },
  );

  it.each(guesses.map((g) => [g.truth.id, g] as const))(
    '%s: never lets a tool deeper than the true parts do',
    (_, { truth, guess }) => {
      const at = faceView(truth, truth.bonds[0]!);
      const seen = faceView(guess, guess.bonds[0]!);
      if (seen.bond.zone !== 'ring') return;
      const path = bondPerimeter(seen.device, seen.bond);
      const truePath = bondPerimeter(at.device, at.bond);
      const real = keepOuts({ ...at.device, cables: [] }, at.bond, whole(at.device));
      const outs = liftOuts(seen.device, seen.bond, whole(seen.device));
      const needMm = at.bond.insetMm + at.bond.widthMm + 1;
      for (let s = 0; s < path.lengthMm; s += 3) {
        const { limitMm } = depthLimitAt(path, seen.bond, outs, s);
        const really = depthLimitAt(truePath, at.bond, real, (s / path.lengthMm) * truePath.lengthMm).limitMm;
        // where even the ring cannot be cut a blade does not go in at all, on both
        if (really >= needMm) expect(limitMm).toBeLessThanOrEqual(really + 1e-9);
        else expect(limitMm).toBeLessThan(needMm + 0.6);
      }
    },
  );
});

describe('the five answers', () => {
  const plain = seenOutside(shippedDevices[0]!);
  it('sizes of a watch or a television, a camera outside, a key longer than a hand: named, with what is allowed', () => {
    expect(() => guessDevice({ ...plain, lengthMm: 42 })).toThrow('length: 42 does not work; it takes 80 to 330 mm');
    expect(() => guessDevice({ ...plain, widthMm: 900 })).toThrow('width: 900 does not work; it takes 45 to 240 mm');
    expect(() => guessDevice({ ...plain, thicknessMm: 2 })).toThrow('thickness: 2 does not work; it takes 4 to 20 mm');
    expect(() => guessDevice({ ...plain, thicknessMm: 4 })).toThrow(
      /^thickness: 4 does not work; it takes [\d.]+ mm or more/,
    );
    expect(() => guessDevice({ ...plain, camera: { min: [60, 5], max: [90, 20], lenses: 1 } })).toThrow(/^camera: /);
    expect(() => guessDevice({ ...plain, keys: [{ edge: 'left', fromMm: 20, toMm: 140 }] })).toThrow(/^key: to: 140/);
  });
  it('a camera at the very edge is moved in, so that the ring passes it', () => {
    const d = guessDevice({ ...plain, camera: { min: [0, 0], max: [30, 30], lenses: 3 } });
    expect(checkDevice(d)).toEqual([]);
    const { min } = boxOf(d.parts.find((p) => p.kind === 'camera')!.shape);
    expect(Math.min(...min)).toBeGreaterThan(2);
  });
  it('lenses of a block stand in rows that fit it', () => {
    const of = (w: number, h: number, lenses: number) => lensesIn({ min: [0, 0], max: [w, h], lenses });
    expect(of(16, 40, 3).map((l) => l.at[0])).toEqual([8, 8, 8]);
    expect(of(60, 16, 3).map((l) => l.at[1])).toEqual([8, 8, 8]);
    expect(new Set(of(30, 30, 4).map((l) => l.at.join())).size).toBe(4);
  });
  it('every construction from both sides holds together, from a small phone to a large tablet', () => {
    for (const construction of ['ringGlass', 'ringPlastic', 'fullGlass', 'clipped', 'lensInRing', 'frameLens'] as const)
      for (const opensFrom of ['back', 'front'] as const)
        for (const [lengthMm, widthMm] of [
          [120, 58],
          [150, 72],
          [172, 80],
          [245, 165],
          [310, 225],
        ] as const)
          for (const inside of ['boardTop', 'boardSide', 'twoCells'] as const)
            for (const camera of [
              null,
              { min: [5, 5] as const, max: [25, 40] as const, lenses: 2 },
              { min: [4, 4] as const, max: [widthMm - 4, 24] as const, lenses: 3 },
            ]) {
              const d = guessDevice({
                ...plain,
                construction,
                opensFrom,
                lengthMm,
                widthMm,
                thicknessMm: 9,
                inside,
                camera,
                keys: [],
              });
              expect({ construction, opensFrom, lengthMm, inside, camera, wrong: checkDevice(d) }).toMatchObject({
                wrong: [],
              });
              for (const b of d.bonds) expect(faceOf(d, b).id).toBe(b.onFace);
            }
  });
  it('what is not guessed has no wider range', () => {
    expect(guessErrorK(shippedDevices[0]!)).toBeNull();
    expect(guessErrorK(guessDevice(plain))).toEqual(guessK);
  });
});
