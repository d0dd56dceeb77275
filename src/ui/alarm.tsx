import { activateKeepAwakeAsync, deactivateKeepAwake } from 'expo-keep-awake';
import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';

import { Txt } from './Txt';

let audio: AudioContext | null = null;

/** Browsers allow sound only after a tap; every action calls this. */
export function unlockSound(): void {
  if (typeof AudioContext === 'undefined') return;
  audio ??= new AudioContext();
  if (audio.state === 'suspended') void audio.resume();
}

/** Three short tones, rising for "opens", falling for "closes". @returns false when the browser keeps silent */
export function ring(kind: 'opens' | 'closes'): boolean {
  if (!audio || audio.state !== 'running') return false;
  const notes = kind === 'opens' ? [660, 880, 1100] : [880, 660, 440];
  notes.forEach((f, i) => {
    const o = audio!.createOscillator();
    const g = audio!.createGain();
    const at = audio!.currentTime + i * 0.22;
    o.frequency.value = f;
    g.gain.setValueAtTime(0, at);
    g.gain.linearRampToValueAtTime(0.4, at + 0.02);
    g.gain.linearRampToValueAtTime(0, at + 0.2);
    o.connect(g).connect(audio!.destination);
    o.start(at);
    o.stop(at + 0.21);
  });
  return true;
}

/**
 * Rings once when `dueAt` passes, with a flash that stays visible for a few seconds. A page that slept through the instant
 * does not ring late; the call says how long ago it was. `silent`: the browser will not ring before a tap.
 */
export function useAlarm(dueAt: number | null, now: number, kind: 'opens' | 'closes', sound: boolean) {
  // reads what changes beside React, so the compiler may keep nothing of it
  'use no memo';
  const rung = useRef<number | null>(null);
  const age = dueAt === null ? -1 : now - dueAt;
  useEffect(() => {
    if (dueAt === null || age < 0 || rung.current === dueAt) return;
    rung.current = dueAt;
    if (age < missedMs && sound) ring(kind);
  }, [dueAt, age, kind, sound]);
  return { flash: age >= 0 && age < flashMs, silent: sound && !canRing() };
}

const flashMs = 4000;
/** An alarm that is noticed later than this was slept through: the screen says how long ago it was instead of ringing. */
const missedMs = 5000;
const canRing = () => audio?.state === 'running';

/** A frame round the whole screen while an alarm is fresh. Steady, not flickering. */
export function Flash({ on, label }: { on: boolean; label: string }) {
  return on ? (
    <View pointerEvents="none" className="absolute inset-0 border-[10px] border-caution z-10 items-center" role="alert">
      <View className="bg-caution px-4 py-2">
        <Txt strong tone="onInk">
          {label}
        </Txt>
      </View>
    </View>
  ) : null;
}

/** Keeps the screen awake while a clock runs; says so when the browser refuses. */
export function useAwake(on: boolean): 'held' | 'refused' | 'off' {
  const [state, setState] = useState<'held' | 'refused' | 'off'>('off');
  useEffect(() => {
    if (!on) return;
    let live = true;
    activateKeepAwakeAsync('clock').then(
      () => live && setState('held'),
      () => live && setState('refused'),
    );
    return () => {
      live = false;
      setState('off');
      void Promise.resolve(deactivateKeepAwake('clock')).catch(() => {});
    };
  }, [on]);
  return state;
}
