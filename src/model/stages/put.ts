/** Adds to a set or takes out of it. */
export const put = <T>(set: Set<T>, value: T, on: boolean) => void (on ? set.add(value) : set.delete(value));
