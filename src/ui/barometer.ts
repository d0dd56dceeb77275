interface Sensor {
  pressure?: number | null;
  start(): void;
  stop(): void;
  addEventListener(type: 'reading' | 'error', f: () => void): void;
}
type SensorKind = new (o: { frequency: number }) => Sensor;

/** The device's own barometer, where a browser gives one; few do. */
const kind = (): SensorKind | null => {
  const w = (typeof window === 'undefined' ? {} : window) as { Barometer?: SensorKind; PressureSensor?: SensorKind };
  return w.Barometer ?? w.PressureSensor ?? null;
};

export const hasBarometer = () => kind() !== null;

/** Reads the barometer, Pa, until it is stopped. @returns how to stop it; null when there is none or it is refused */
export function readBarometer(onPa: (pa: number) => void, onError: () => void): (() => void) | null {
  const Kind = kind();
  if (!Kind) return null;
  try {
    const sensor = new Kind({ frequency: 5 });
    sensor.addEventListener('reading', () => {
      // hectopascal by the drafts of the interface
      if (typeof sensor.pressure === 'number') onPa(sensor.pressure * 100);
    });
    sensor.addEventListener('error', onError);
    sensor.start();
    return () => sensor.stop();
  } catch {
    return null;
  }
}
