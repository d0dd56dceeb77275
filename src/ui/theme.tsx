import { createContext, useContext, useEffect, useMemo, useSyncExternalStore, type ReactNode } from 'react';

import tokens from './tokens.json';

export type Scheme = 'light' | 'dark';
export type Tokens = typeof tokens.light;
export const ramp = tokens.ramp;
/** Lines on the tints of the ramp, which are the same in both schemes. */
export const rampInk = tokens.light.ink;
/** On a customer's device under test, whatever scheme it has: all of it must be seen. */
export const { light } = tokens;

const SchemeContext = createContext<Scheme>('light');

/** A part of a page in a scheme of its own, whatever the page has; its element carries the scheme's name as its class. */
export const InScheme = SchemeContext.Provider;

const query = () => (typeof matchMedia === 'undefined' ? null : matchMedia('(prefers-color-scheme: dark)'));
const subscribe = (f: () => void) => {
  const q = query();
  q?.addEventListener('change', f);
  return () => q?.removeEventListener('change', f);
};

/** Follows the system unless the shop has chosen. The classes on the root switch every variable of colour and size. */
export function ThemeProvider({
  choice,
  touch,
  children,
}: {
  choice: 'system' | Scheme;
  touch: 'usual' | 'gloves' | 'third';
  children: ReactNode;
}) {
  const systemDark = useSyncExternalStore(
    subscribe,
    () => query()?.matches ?? false,
    () => false,
  );
  const scheme: Scheme = choice === 'system' ? (systemDark ? 'dark' : 'light') : choice;
  useEffect(() => {
    document.documentElement.classList.toggle('dark', scheme === 'dark');
  }, [scheme]);
  useEffect(() => {
    for (const size of ['gloves', 'third'] as const) document.documentElement.classList.toggle(size, touch === size);
  }, [touch]);
  return <SchemeContext.Provider value={scheme}>{children}</SchemeContext.Provider>;
}

export function useTokens(): Tokens {
  const scheme = useContext(SchemeContext);
  return useMemo(() => tokens[scheme], [scheme]);
}
