export interface Sweep {
  fromHz: number;
  toHz: number;
  seconds: number;
  /** loudness, 0 to 1 */
  level: number;
}

export const earpieceSweep: Sweep[] = [{ fromHz: 300, toHz: 3000, seconds: 4, level: 0.25 }];
/** quiet and loud: a rattle shows at one of them */
export const speakerSweeps: Sweep[] = [
  { fromHz: 200, toHz: 8000, seconds: 4, level: 0.2 },
  { fromHz: 200, toHz: 8000, seconds: 4, level: 0.9 },
];

/** Plays sweeps one after another, made in the browser. @returns false when it has no sound */
export async function playSweeps(sweeps: readonly Sweep[]): Promise<boolean> {
  if (typeof AudioContext === 'undefined') return false;
  const audio = new AudioContext();
  try {
    await audio.resume();
    let at = audio.currentTime + 0.05;
    for (const s of sweeps) {
      const tone = audio.createOscillator();
      const gain = audio.createGain();
      tone.frequency.setValueAtTime(s.fromHz, at);
      tone.frequency.exponentialRampToValueAtTime(s.toHz, at + s.seconds);
      // no click at either end, which would sound like a rattle
      gain.gain.setValueAtTime(0, at);
      gain.gain.linearRampToValueAtTime(s.level, at + 0.05);
      gain.gain.setValueAtTime(s.level, at + s.seconds - 0.05);
      gain.gain.linearRampToValueAtTime(0, at + s.seconds);
      tone.connect(gain).connect(audio.destination);
      tone.start(at);
      tone.stop(at + s.seconds);
      at += s.seconds + 0.4;
    }
    await new Promise((r) => setTimeout(r, (at - audio.currentTime) * 1000));
    return true;
  } finally {
    void audio.close();
  }
}

/** Three pulses, ms on and off. */
export const pulses = [350, 250, 350, 250, 350];

/** @returns false when the browser cannot vibrate */
export const vibrate = (): boolean => {
  const n = navigator as Navigator & { vibrate?: (p: number[]) => boolean };
  return typeof n.vibrate === 'function' && n.vibrate([...pulses]);
};
