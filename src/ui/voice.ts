import { language, locale } from '@/words/language';
import { ring } from './alarm';

/** How something was said. */
export type SaidBy = 'voice' | 'tone' | 'nothing';

interface Said {
  text: string;
  kind: 'opens' | 'closes';
}

let last: Said | null = null;
let volume = 1;

const synthesis = (): SpeechSynthesis | null => (typeof speechSynthesis === 'undefined' ? null : speechSynthesis);

/** The browser's voice for the language that is spoken now; null: it has none. */
function voiceOf(s: SpeechSynthesis): SpeechSynthesisVoice | null {
  const voices = s.getVoices();
  const own = voices.filter((v) => v.lang.replace('_', '-').toLowerCase().startsWith(language()));
  // one of this machine speaks without a network
  return own.find((v) => v.localService) ?? own[0] ?? null;
}

function speakNow({ text, kind }: Said): SaidBy {
  const s = synthesis();
  const voice = s && voiceOf(s);
  if (!s || !voice) return ring(kind) ? 'tone' : 'nothing';
  // what is said now counts more than what was being said
  s.cancel();
  const u = new SpeechSynthesisUtterance(text);
  u.voice = voice;
  u.lang = voice.lang || locale();
  u.volume = volume;
  s.speak(u);
  return 'voice';
}

/** Says a sentence by the browser's own voice, or a tone where it has none. */
export function say(text: string, kind: Said['kind'], loud: number): SaidBy {
  volume = loud;
  last = { text, kind };
  return speakNow(last);
}

/** Says the last sentence once more. @returns false when nothing was said yet */
export function repeatLast(): boolean {
  if (!last) return false;
  speakNow(last);
  return true;
}

/** Browsers gather their voices after the page is there: asked for once, they are at hand when something is to be said. */
export const warmVoices = (): void => void synthesis()?.getVoices();
