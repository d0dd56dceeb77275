import { useEffect } from 'react';

import { nowMs } from '@/store/clock';
import { useSettings } from '@/store/shop';
import { repeatLast, say, warmVoices } from '@/ui/voice';
import { cueText } from '@/words/voiceText';
import { isQuiet, type Cue } from '@/work/voice/cues';

/** A call that is noticed later than this was slept through: the screen says how long ago it was, ms. */
const lateMs = 4000;
/** A browser's timer counts no further, ms. */
const farMs = 2 ** 31 - 1;
/** What was said, by its name: a page that is left and opened again does not say it again. */
const saidOnce = new Set<string>();

/**
 * Says each cue when its instant comes, by a timer of its own: once for each name, within the instant itself and not by the page's
 * next second.
 */
export function useVoice(cues: readonly Cue[]): void {
  const settings = useSettings();
  const { voice } = settings;
  // a shop that has switched its sound off hears no voice either
  const on = voice.on && settings.sound;
  const wanted = JSON.stringify(on ? cues.filter((c) => c.main || voice.much === 'all') : []);
  const { length, temperature } = settings;
  useEffect(() => {
    warmVoices();
    const timers = (JSON.parse(wanted) as Cue[]).flatMap((c) => {
      const wait = c.at - nowMs();
      if (saidOnce.has(c.id) || wait < -lateMs || wait > farMs) return [];
      return [
        setTimeout(
          () => {
            // a page that slept says nothing late
            if (saidOnce.has(c.id) || nowMs() - c.at > lateMs) return;
            saidOnce.add(c.id);
            if (isQuiet(new Date(nowMs()).getHours(), voice.quiet)) return;
            say(cueText(c.what, { length, temperature }), c.kind, voice.volume);
          },
          Math.max(0, wait),
        ),
      ];
    });
    return () => timers.forEach(clearTimeout);
  }, [wanted, voice, length, temperature]);
  useRepeat(on);
}

/** Two fingers on the screen, or the key R: what was said last, once more. */
function useRepeat(on: boolean): void {
  useEffect(() => {
    if (!on) return;
    const touch = (e: TouchEvent) => {
      if (e.touches.length === 2) repeatLast();
    };
    const key = (e: KeyboardEvent) => {
      const typing = e.target instanceof HTMLElement && /^(INPUT|TEXTAREA|SELECT)$/.test(e.target.tagName);
      if (e.key === 'r' && !typing && !e.ctrlKey && !e.metaKey && !e.altKey) repeatLast();
    };
    window.addEventListener('touchstart', touch, { passive: true });
    window.addEventListener('keydown', key);
    return () => {
      window.removeEventListener('touchstart', touch);
      window.removeEventListener('keydown', key);
    };
  }, [on]);
}
