import { useWindowDimensions } from 'react-native';

/** The widest that a page of pictures gets, px; `max-w-[1840px]` of the frames. */
const widest = 1840;
/** Left and right of a page together, px. */
const sides = 32;
/** Between two columns, px; `gap-4` of `Beside`. */
const between = 16;

/**
 * Room for a picture on a page that takes all of a wide screen, px.
 * @param columns how many stand beside each other
 */
export function useRoom(columns = 1): number {
  const { width } = useWindowDimensions();
  return Math.floor((Math.min(widest, width) - sides - (columns - 1) * between) / columns);
}
