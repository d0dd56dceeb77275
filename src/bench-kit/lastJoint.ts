/** The joint at which a job was looked at last in this tab, so that a page that belongs to a stage shows the same one. */
const last = new Map<string, string>();

export const noteJoint = (jobId: string, joint: string): void => void last.set(jobId, joint);
export const lastJoint = (jobId: string): string | undefined => last.get(jobId);
