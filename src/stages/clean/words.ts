import { scraperDeg, type CleanLack, type CleanMethod, type ZoneState } from '@/core/clean/zones';

export const stateNames: Record<ZoneState, string> = {
  residue: 'residue',
  glass: 'glass left',
  film: 'film stays',
  wet: 'wet',
  dry: 'wiped',
  inspected: 'bare, looked at',
};
export const methodWords: Record<CleanMethod, string> = {
  dryOnly: 'dry wipe only, no liquid',
  rollWarm: 'roll the warm residue off',
  alcoholWipe: 'alcohol on a wipe, nearly dry',
  plasticScraper: `plastic scraper, flat at about ${scraperDeg.soft.value}°: soft metal`,
  flatBlade: `blade at about ${scraperDeg.hard.value}°`,
  tweezersFirst: 'tweezers first: glass',
  air: 'puff of air',
};
export const lackWords: Record<CleanLack, string> = {
  residue: 'residue to take off',
  glass: 'glass to pick out',
  film: 'a film stays',
  wet: 'still wet',
  notInspected: 'not looked over yet',
  crumbs: 'crumbs to look for',
  warm: 'still warm',
  lenses: 'lenses to blow off',
  cover: 'the cover itself has residue',
  glance: 'no look at a glancing angle yet',
};

/** How a zone is drawn along the ring. */
export const arcLook = {
  residue: 'plain',
  glass: 'reheat',
  film: 'slow',
  wet: 'dry',
  dry: 'slow',
  inspected: 'free',
} as const;
