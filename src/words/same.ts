/** The same words in another language: every key, and nothing else. */
export type Same<W> = { readonly [K in keyof W]: string };
