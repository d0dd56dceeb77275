/** What a line of a picture may look like; each pairs with dashes, a shape or a name, so that nothing hangs on colour. */
export type Tone = 'ink' | 'ink2' | 'caution' | 'go';
