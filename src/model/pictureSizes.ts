/** A picture as it is kept: scaled down, a JPEG as a data address. */
export interface Picture {
  data: string;
  widthPx: number;
  heightPx: number;
  bytes: number;
}

export const maxFileMb = 40;
export const wantedBytes = 200_000;

/** Longest edge, px, and quality, one after the other until the picture is small enough. */
export const pictureSizes: readonly (readonly [edge: number, quality: number])[] = [
  [1280, 0.82],
  [1280, 0.65],
  [960, 0.65],
  [720, 0.6],
];
