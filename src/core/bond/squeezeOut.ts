/** When glue that comes out beside the cover is taken off: wiped at once, or peeled off as rubber once it is dry. */
export type SqueezeOut = 'now' | 'dry';

/**
 * Clear glue is wiped at once, for dry it is glass-hard on the frame; black rubber smears while it is wet and peels off in
 * one string when it is dry. Common practice; a shop says it otherwise for a glue of its own.
 */
export const squeezeOutOf = (glue: { black: boolean; squeezeOut?: SqueezeOut | undefined }): SqueezeOut =>
  glue.squeezeOut ?? (glue.black ? 'dry' : 'now');
