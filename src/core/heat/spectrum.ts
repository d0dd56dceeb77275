/** What heats the face in one spectrum, averaged over the patches that radiate; and, where it is local, by column. */
export interface Face {
  patches: Patches;
  /** share of a patch that lies on no contact; film of a jet, W/m²K, and what it carries of (air − ambient) */
  free: Float64Array;
  jet: Float64Array;
  carried: Float64Array;
  /** by column of the face: film of the contact or the jet, and its share of (drive − ambient); null: `film` everywhere */
  columns: { film: Float64Array; share: Float64Array } | null;
  film: number;
  share: number;
}

export interface Spectrum {
  lambda: Float64Array;
  /** e^(-λ dt) of the steps that every walk takes, by dt in s */
  decays: Map<number, Float64Array>;
  /** rank × rank, columns are eigenvectors */
  q: Float64Array;
  forcing: Float64Array;
  /** rows of the patches of the heated and the other face, in eigenvectors: patch × rank */
  back: Float64Array;
  front: Float64Array;
  face: Face;
  /** the same under a jet over wide patches: enough for how far a moved world lies from the usual one */
  wide: { face: Face; back: Float64Array } | null;
  /** films that the spectrum was made with, radiation linearised, W/m²K */
  hBack: number;
  hFront: number;
}

/** A face cut into patches, small enough that radiation is even over one. */
export interface Patches {
  areaM2: Float64Array;
  /** patch × rank: mean over the patch */
  rows: Float64Array;
  /** patch of each column, for the heated face */
  of: Int32Array | null;
}
