import type { ThermalStack } from '../src/core/device/thermalStack';
import { confirmRun } from '../src/core/heat/confirm';
import {
  defaultDryer,
  defaultGun,
  defaultLamp,
  defaultMat,
  defaultNozzle,
  defaultPlate,
  type Heater,
} from '../src/core/heat/heater';
import type { ReducedModel } from '../src/core/heat/reduced';

/** Reduced against full with true radiation over rooms and setpoints: the largest difference of bond line and battery, K. */
export function roomErrors(
  model: ReducedModel,
  stack: ThermalStack,
  line: (name: string, value: string) => void,
): void {
  const cases: [Heater, number[]][] = [
    [defaultPlate, [50, 110, 160]],
    [defaultMat, [60, 120]],
    [defaultGun, [200, 350]],
    [defaultNozzle, [350]],
    [defaultDryer, [120]],
    [defaultLamp, [200, 400]],
  ];
  let most = 0;
  for (const [heater, sets] of cases)
    for (const setC of sets) {
      const found = [-10, 22, 45].map((ambientC) => {
        const r = confirmRun(model, stack, { heater, use: {}, ambientC, setC, heatS: 180, coolS: 120 });
        return Math.max(r.largestBondErrorK, r.largestBatteryErrorK);
      });
      most = Math.max(most, ...found);
      line(
        `${heater.name} ${setC} °C, room -10, 22, 45 °C: largest difference`,
        found.map((k) => `${k.toFixed(2)} K`).join(', '),
      );
    }
  line('largest of all, target 0.5 K', `${most.toFixed(2)} K`);
}
