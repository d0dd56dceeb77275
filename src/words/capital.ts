/** A sentence begins with a capital. */
export const capital = (t: string): string => t.charAt(0).toUpperCase() + t.slice(1);
