/** Languages that there are words in. */
export const languageIds = ['en', 'es'] as const;
export type Language = (typeof languageIds)[number];
