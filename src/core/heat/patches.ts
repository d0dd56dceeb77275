/** Patches over the width and the height of a face, small enough that radiation is even over one. */
export const patchGrid = { across: 3, along: 5 };
