/** Patches over the width and the height of a face, small enough that radiation is even over one. */
export const patchGrid = { across: 3, along: 5 };

/** A face under a jet is cut finer: its hot band is narrower than one of the other patches. */
export const jetGrid = { across: 8, along: 16 };
