/** The search of texts, fetched when somebody looks for something. */
export const lazySearch = () => import('@/work/textSearch').then((m) => m.textSearch);
