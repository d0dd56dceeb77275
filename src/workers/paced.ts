/** Between two tellings: a bar that moves ten times a second moves smoothly. */
const paceMs = 100;

/**
 * Progress as a screen can show it: the first, the last, and at most ten a second between them. Every one that is told costs the
 * screen a drawing, and a search tells of hundreds in a second.
 */
export function paced(
  tell: (share: number) => void,
  nowMs: () => number = () => performance.now(),
): (share: number) => void {
  let last = -Infinity;
  return (share) => {
    const now = nowMs();
    if (share < 1 && now - last < paceMs) return;
    last = now;
    tell(share);
  };
}
