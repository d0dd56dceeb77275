/** A temperature somebody typed among other words, and the words without it. */
export interface TypedTemperature {
  tC: number | null;
  /** a degree or its letter was typed: it can be nothing else */
  sure: boolean;
  rest: string;
}

/** A room is no colder and no warmer, °C. */
const room = { low: -10, high: 50 };
const toC = (v: number, unit: 'C' | 'F') => (unit === 'F' ? ((v - 32) * 5) / 9 : v);

/**
 * "cure at 15", "15 °C", "59 F" in the unit that is said, else the shop's; what no room has is no temperature.
 * @param usual the shop's own unit
 */
export function readTemperature(typed: string, usual: 'C' | 'F'): TypedTemperature {
  // no letter or further digit on either side: "J-0143" and "6.1" of a name are none
  const m = /(?:^|[\s,])(-?\d{1,3}(?:[.,]\d)?)\s*(?:°\s*([cf])?|([cf])(?![a-z]))?(?=$|\s|[,.?!](?:\s|$))/i.exec(typed);
  if (!m) return { tC: null, sure: false, rest: typed };
  const unit = (m[2] ?? m[3])?.toUpperCase() as 'C' | 'F' | undefined;
  const tC = toC(Number(m[1]!.replace(',', '.')), unit ?? usual);
  if (!(tC >= room.low && tC <= room.high)) return { tC: null, sure: false, rest: typed };
  return {
    tC: Math.round(tC * 10) / 10,
    sure: unit !== undefined || m[0].includes('°'),
    rest: `${typed.slice(0, m.index)} ${typed.slice(m.index + m[0].length)}`.trim(),
  };
}
