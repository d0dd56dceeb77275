import { judgement } from '../source';

/** A function that this work breaks less often than this is asked for with the others of its kind. */
export const oneByOneFrom = judgement(0.01, 'one repair in a hundred: what a bench remembers').value;

/** Kinds of functions that are tried in one go and answered by one tap, when nothing put them at risk. */
export const functionGroups = {
  screen: ['touch', 'display', 'bright', 'prox'],
  sound: ['earpiece', 'speaker', 'micMain', 'micRear', 'vibra'],
  cameras: ['camMain', 'camAux', 'ois', 'flash', 'camFront'],
  unlock: ['faceReader', 'finger', 'buttons', 'motion', 'baro'],
  power: ['chargeW', 'chargeQ', 'power'],
  radio: ['nfc', 'sim', 'cell', 'wifiBt', 'gps'],
} as const;
export type FunctionGroup = keyof typeof functionGroups;

/** The group that a function is tried with; null: it is tried by itself. */
export function groupOf(id: string): FunctionGroup | null {
  const found = Object.entries(functionGroups).find(([, ids]) => (ids as readonly string[]).includes(id));
  return (found?.[0] as FunctionGroup | undefined) ?? null;
}
