import { locale } from './language';

const formats = new Map<string, Intl.NumberFormat>();

/**
 * A number as the language writes it, with so many places at least and at most: 0.25, 0,25, −1. Never minus nothing; with a minus,
 * for a hyphen is none and a screen reader says it as one.
 */
export function written(value: number, least: number, most: number): string {
  if (!Number.isFinite(value)) return String(value);
  const key = `${locale()} ${least} ${most}`;
  let f = formats.get(key);
  if (!f) {
    f = new Intl.NumberFormat(locale(), {
      minimumFractionDigits: least,
      maximumFractionDigits: most,
      useGrouping: false,
      signDisplay: 'negative',
    });
    formats.set(key, f);
  }
  return f.format(value).replace('-', '−');
}
