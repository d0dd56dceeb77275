import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';

import { Button } from '@/ui/Button';
import { Txt } from '@/ui/Txt';
import { cellCount } from './grid';
import { ColourScreens, TouchGrid } from './FullScreen';
import { earpieceSweep, playSweeps, speakerSweeps, vibrate, type Sweep } from './sounds';

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
      return <Sound name="Play the sweep" sweeps={earpieceSweep} />;
    case 'speaker':
      return <Sound name="Play both sweeps" sweeps={speakerSweeps} />;
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
      <Button label="Open the grid" onPress={() => setOn(true)} />
      {missed === null ? null : (
        <Txt tone={missed ? 'caution' : 'go'} className="mt-2">
          {missed
            ? `${missed} of ${cellCount} cells did not answer. Once more over them, or it fails.`
            : 'Every cell answered.'}
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
      <Button label="Show the colours" onPress={() => setOn(true)} />
      {on ? <ColourScreens onEnd={() => setOn(false)} /> : null}
    </View>
  );
}

function Sound({ name, sweeps }: { name: string; sweeps: readonly Sweep[] }) {
  const [state, setState] = useState<'idle' | 'plays' | 'none'>('idle');
  return (
    <View>
      <Button
        label={state === 'plays' ? 'Listen' : name}
        disabled={state === 'plays'}
        onPress={() => {
          setState('plays');
          void playSweeps(sweeps).then((ok) => setState(ok ? 'idle' : 'none'));
        }}
      />
      {state === 'none' ? <Txt tone="caution">This browser makes no sound: use the device’s own.</Txt> : null}
    </View>
  );
}

function Vibration() {
  const [none, setNone] = useState(false);
  return (
    <View>
      <Button label="Three pulses" onPress={() => setNone(!vibrate())} />
      {none ? <Txt tone="caution">This browser cannot vibrate: use a ring tone of the device.</Txt> : null}
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
        label={state === 'records' ? 'Speak' : 'Record 5 s'}
        disabled={state === 'records'}
        onPress={() => void record()}
      />
      {state === 'records' ? (
        <View className="h-[12px] bg-rule mt-2">
          <View className="h-[12px] bg-ink" style={{ width: `${Math.min(100, level * 400)}%` }} />
        </View>
      ) : null}
      {url ? <audio controls src={url} style={{ width: '100%', marginTop: 8 }} /> : null}
      {state === 'none' ? (
        <Txt tone="caution">No microphone is given to this page: use the device’s own recorder.</Txt>
      ) : null}
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
      <Button label="Read the sensor" onPress={() => void ask()} />
      {g ? (
        <Txt num className="mt-2">
          {g.x.toFixed(1)} {g.y.toFixed(1)} {g.z.toFixed(1)} m/s², together {size!.toFixed(1)} (lying still 9.8)
        </Txt>
      ) : asked ? (
        <Txt size="s" tone="ink2">
          Nothing comes: this browser gives no motion to the page, or the sensor is silent. Use the device’s own level.
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
    const none = 'This browser does not tell the charge: look at the device’s own figure.';
    void Promise.resolve(n.getBattery?.()).then((b) => {
      if (!b) return setText(none);
      const tell = () => setText(`${b.charging ? 'charging' : 'not charging'}, ${Math.round(100 * b.level)} %`);
      tell();
      b.addEventListener('chargingchange', tell);
      b.addEventListener('levelchange', tell);
    });
  }, []);
  return text ? <Txt num>{text}</Txt> : null;
}
