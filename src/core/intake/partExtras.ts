/** What a part may come with; each saves a step. */
export const partExtras = ['adhesive', 'lens', 'flash', 'coil', 'mesh', 'frame'] as const;

export type PartExtra = (typeof partExtras)[number];
