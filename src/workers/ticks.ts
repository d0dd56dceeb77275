/**
 * Calls back when `ms` have gone by in which this page was awake: counted in seconds, so that a device that slept has lost one
 * second of patience and not all of it. @returns what stops it
 */
export function patience(ms: number, f: () => void): () => void {
  let left = Math.max(1, Math.ceil(ms / 1000));
  const timer = setInterval(() => {
    if (--left > 0) return;
    clearInterval(timer);
    f();
  }, 1000);
  // under Node (tests) it keeps no process alive; a browser has no such thing
  (timer as { unref?: () => void }).unref?.();
  return () => clearInterval(timer);
}
