import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';

import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { cellCount } from './grid';
import { ColourScreens, TouchGrid } from './FullScreen';
import { earpieceSweep, playSweeps, speakerSweeps, vibrate, type Sweep } from './sounds';
import { t as tr } from '@/words/deviceTest';
import { digits } from '@/words/units';

interface ToolProps {
  /** the page itself knows the result */
  onResult: (ok: boolean) => void;
}

/** What this page can do for a function; nothing for those that only the device's own apps can show. */
export function Tool({ fn, onResult }: ToolProps & { fn: string }) {
  switch (fn) {
    case 'touch':
      return <Touch onResult={onResult} />;
    case 'display':
      return <Colours />;
    case 'earpiece':
      return <Sound name={tr('playTheSweep')} sweeps={earpieceSweep} />;
    case 'speaker':
      return <Sound name={tr('playBothSweeps')} sweeps={speakerSweeps} />;
    case 'vibra':
      return <Vibration />;
    case 'micMain':
      return <Microphone />;
    case 'motion':
      return <Motion />;
    case 'chargeW':
    case 'chargeQ':
    case 'power':
      return <Charge />;
    default:
      return null;
  }
}

function Touch({ onResult }: ToolProps) {
  const [on, setOn] = useState(false);
  const [missed, setMissed] = useState<number | null>(null);
  return (
    <View>
      <Button label={tr('openTheGrid')} onPress={() => setOn(true)} />
      {missed === null ? null : (
        <Txt tone={missed ? 'caution' : 'go'} className="mt-2">
          {missed ? tr('ofCellsDidNotAnswerGo', { missed, cellCount }) : tr('everyCellAnswered')}
        </Txt>
      )}
      {on ? (
        <TouchGrid
          onEnd={(m) => {
            setOn(false);
            setMissed(m);
            if (m === 0) onResult(true);
          }}
        />
      ) : null}
    </View>
  );
}

function Colours() {
  const [on, setOn] = useState(false);
  return (
    <View>
      <Button label={tr('showTheColours')} onPress={() => setOn(true)} />
      {on ? <ColourScreens onEnd={() => setOn(false)} /> : null}
    </View>
  );
}

function Sound({ name, sweeps }: { name: string; sweeps: readonly Sweep[] }) {
  const [state, setState] = useState<'idle' | 'plays' | 'none'>('idle');
  return (
    <View>
      <Button
        label={state === 'plays' ? tr('listen') : name}
        disabled={state === 'plays'}
        onPress={() => {
          setState('plays');
          void playSweeps(sweeps).then((ok) => setState(ok ? 'idle' : 'none'));
        }}
      />
      {state === 'none' ? <Txt tone="caution">{tr('thisBrowserMakesNoSoundUse')}</Txt> : null}
    </View>
  );
}

function Vibration() {
  const [none, setNone] = useState(false);
  return (
    <View>
      <Button label={tr('threePulses')} onPress={() => setNone(!vibrate())} />
      {none ? <Txt tone="caution">{tr('thisBrowserCannotVibrateUseA')}</Txt> : null}
    </View>
  );
}

/** Records five seconds and plays them back, with the level while it records. */
function Microphone() {
  const [state, setState] = useState<'idle' | 'records' | 'none'>('idle');
  const [level, setLevel] = useState(0);
  const [url, setUrl] = useState<string | null>(null);
  const stop = useRef<(() => void) | null>(null);
  useEffect(() => () => stop.current?.(), []);
  const record = async () => {
    try {
      const stream = await navigator.mediaDevices.getUserMedia({ audio: true });
      const recorder = new MediaRecorder(stream);
      const parts: Blob[] = [];
      recorder.ondataavailable = (e) => parts.push(e.data);
      const audio = new AudioContext();
      const meter = audio.createAnalyser();
      audio.createMediaStreamSource(stream).connect(meter);
      const data = new Float32Array(meter.fftSize);
      const timer = setInterval(() => {
        meter.getFloatTimeDomainData(data);
        setLevel(Math.sqrt(data.reduce((s, v) => s + v * v, 0) / data.length));
      }, 100);
      const end = () => {
        clearInterval(timer);
        if (recorder.state !== 'inactive') recorder.stop();
        stream.getTracks().forEach((t) => t.stop());
        void audio.close();
        stop.current = null;
      };
      recorder.onstop = () => {
        setUrl(URL.createObjectURL(new Blob(parts, { type: recorder.mimeType })));
        setState('idle');
      };
      stop.current = end;
      recorder.start();
      setState('records');
      setTimeout(end, 5000);
    } catch {
      setState('none');
    }
  };
  return (
    <View>
      <Button
        label={state === 'records' ? tr('speak') : tr('record5S')}
        disabled={state === 'records'}
        onPress={() => void record()}
      />
      {state === 'records' ? (
        <View className="h-[12px] bg-rule mt-2">
          <View className="h-[12px] bg-ink" style={{ width: `${Math.min(100, level * 400)}%` }} />
        </View>
      ) : null}
      {url ? <audio controls src={url} style={{ width: '100%', marginTop: 8 }} /> : null}
      {state === 'none' ? <Txt tone="caution">{tr('thisPageGetsNoMicrophoneUse')}</Txt> : null}
    </View>
  );
}

function Motion() {
  const [g, setG] = useState<{ x: number; y: number; z: number } | null>(null);
  const [asked, setAsked] = useState(false);
  useEffect(() => {
    if (!asked) return;
    const take = (e: DeviceMotionEvent) => {
      const a = e.accelerationIncludingGravity;
      if (a?.x != null && a.y != null && a.z != null) setG({ x: a.x, y: a.y, z: a.z });
    };
    window.addEventListener('devicemotion', take);
    return () => window.removeEventListener('devicemotion', take);
  }, [asked]);
  const ask = async () => {
    const m = (typeof DeviceMotionEvent === 'undefined' ? null : DeviceMotionEvent) as
      (typeof DeviceMotionEvent & { requestPermission?: () => Promise<string> }) | null;
    await m?.requestPermission?.().catch(() => '');
    setAsked(true);
  };
  const size = g ? Math.hypot(g.x, g.y, g.z) : null;
  return (
    <View>
      <Button label={tr('readTheSensor')} onPress={() => void ask()} />
      {g ? (
        <Txt num className="mt-2">
          {tr('mSTogetherLyingStill9', {
            figure: digits(g.x, 1),
            figure2: digits(g.y, 1),
            figure3: digits(g.z, 1),
            figure4: digits(size!, 1),
          })}
        </Txt>
      ) : asked ? (
        <Txt size="s" tone="ink2">
          {tr('nothingComesThisBrowserGivesThe')}
        </Txt>
      ) : null}
    </View>
  );
}

interface BatteryLike {
  charging: boolean;
  level: number;
  addEventListener(type: string, f: () => void): void;
}

function Charge() {
  const [text, setText] = useState<string | null>(null);
  useEffect(() => {
    const n = navigator as Navigator & { getBattery?: () => Promise<BatteryLike> };
    const none = tr('thisBrowserDoesNotTellThe');
    void Promise.resolve(n.getBattery?.()).then((b) => {
      if (!b) return setText(none);
      const tell = () =>
        setText(
          b.charging
            ? tr('charging', { level: Math.round(100 * b.level) })
            : tr('notCharging', { level: Math.round(100 * b.level) }),
        );
      tell();
      b.addEventListener('chargingchange', tell);
      b.addEventListener('levelchange', tell);
    });
  }, []);
  return text ? <Txt num>{text}</Txt> : null;
}
