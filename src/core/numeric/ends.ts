/** Largest of a list of any length; −Infinity when it is empty. Spreading a long list into Math.max overflows the stack. */
export const largest = (list: ArrayLike<number>): number => {
  let m = -Infinity;
  for (let i = 0; i < list.length; i++) if (list[i]! > m) m = list[i]!;
  return m;
};

/** Smallest of a list of any length; Infinity when it is empty. */
export const smallest = (list: ArrayLike<number>): number => {
  let m = Infinity;
  for (let i = 0; i < list.length; i++) if (list[i]! < m) m = list[i]!;
  return m;
};
