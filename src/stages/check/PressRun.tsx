import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';

import { hasBarometer, readBarometer } from '@/ui/barometer';
import { ring } from '@/ui/alarm';
import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { t as tr } from '@/words/check';

export interface PressRunLog {
  t: number[];
  p: number[];
  cues: [number, number][];
}

const restS = 5;
const holdS = 6;
const cycles = 3;
/** press and release as they are prompted, s after the start */
export const promptedCues: [number, number][] = Array.from({ length: cycles }, (_, i) => {
  const at = restS + i * (restS + holdS);
  return [at, at + holdS];
});
const totalS = restS + cycles * (restS + holdS);

/** Three presses on the glass at the page's word, with the device's own barometer. */
export function PressRun({ onDone }: { onDone: (log: PressRunLog) => void }) {
  const [sinceS, setSinceS] = useState<number | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const stop = useRef<(() => void) | null>(null);
  useEffect(() => () => stop.current?.(), []);
  const start = () => {
    const began = performance.now();
    const log: PressRunLog = { t: [], p: [], cues: promptedCues };
    const end = (why: string | null) => {
      stop.current?.();
      stop.current = null;
      setSinceS(null);
      setProblem(why);
    };
    const stopSensor = readBarometer(
      (pa) => {
        const t = (performance.now() - began) / 1000;
        if (t <= (log.t.at(-1) ?? -1)) return;
        log.t.push(t);
        log.p.push(pa);
      },
      () => end(tr('theSensorStoppedNothingWasTaken')),
    );
    if (!stopSensor) return setProblem(tr('theBrowserRefusesTheSensor'));
    let pressed = false;
    const timer = setInterval(() => {
      const s = (performance.now() - began) / 1000;
      const now = promptedCues.some(([a, b]) => s >= a && s < b);
      if (now !== pressed) ring(now ? 'opens' : 'closes');
      pressed = now;
      setSinceS(s);
      if (s < totalS) return;
      end(log.t.length < 40 ? tr('onlyReadingsCame40AreNeeded', { count: log.t.length }) : null);
      if (log.t.length >= 40) onDone(log);
    }, 200);
    stop.current = () => {
      clearInterval(timer);
      stopSensor();
    };
    setProblem(null);
    setSinceS(0);
  };
  if (!hasBarometer())
    return (
      <Txt size="s" tone="ink2">
        {tr('thisBrowserGivesThePageNo')}
      </Txt>
    );
  const cue = sinceS === null ? null : promptedCues.find(([a, b]) => sinceS >= a && sinceS < b);
  const next = sinceS === null ? undefined : promptedCues.find(([a]) => a > sinceS);
  return (
    <View className="gap-2">
      {sinceS === null ? (
        <Button kind="small" label={tr('pressThreeTimesWithThisDevices')} onPress={start} />
      ) : (
        <View role="status" className="gap-2">
          <Txt strong size="l" tone={cue ? 'caution' : 'ink'}>
            {cue
              ? tr('pressAndHoldS', { cue: Math.ceil(cue[1] - sinceS) })
              : next
                ? tr('letGoNextInS', { next: Math.ceil(next[0] - sinceS) })
                : tr('letGoWait')}
          </Txt>
          <Button
            kind="small"
            label={tr('stop')}
            onPress={() => (stop.current?.(), (stop.current = null), setSinceS(null))}
          />
        </View>
      )}
      {problem ? (
        <View role="alert">
          <Txt tone="caution">{problem}</Txt>
        </View>
      ) : null}
    </View>
  );
}
