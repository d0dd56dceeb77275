/** A request that does not arrive is not waited for; a stream that was begun goes on. */
export const limits = { headersTimeout: 10_000, requestTimeout: 15_000, maxHeaderSize: 16 * 1024 };
