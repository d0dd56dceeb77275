const ofJob = (id: string, pages: readonly string[]) => pages.map((p) => `/jobs/demo-${id}/${p}`);
const words = (text: string) => text.split(' ');

/** Pages of the demo that are read through as a whole: for the room that longer words have, and for what stays English. */
export const demoPages: readonly string[] = [
  ...words('/ /plan /jobs /jobs/new /shelf /heaters /adhesives /stock /money /records /statistics /shop /figures'),
  ...words('/shelf/new /shelf/card /shelf/ring61 /shelf/ring61/card /practice /help /news /own /devices /join'),
  ...ofJob('0143', words('intake heat ways path spot glue cracks route quote frame tag order tray lift')),
  ...ofJob('0143', words('happened?from=lift remember?from=lift part way strip clean dryFit bond cure check')),
  ...ofJob('0143', words('handover log record heap')),
  ...ofJob('0139', words('functions camera seal comeback alcohol check cure handover')),
  ...ofJob('0136', words('heat lift bond camera')),
  ...ofJob('0135', words('strip tray')),
];
