/** Stands at every heat. */
export const heatCaution =
  'Hot tools: gloves and eye cover. Never heat a swollen, bent or punctured cell; stop on smell or hiss. The maker’s instructions and local rules go first.';
