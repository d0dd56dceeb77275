const key = 'northcove.joined';

/** Whether this browser belongs with others is known before anything of it is loaded. */
export function markJoined(is: boolean): void {
  try {
    if (is) localStorage.setItem(key, '1');
    else localStorage.removeItem(key);
  } catch {
    // a browser that keeps nothing joins nobody
  }
}

export function isJoined(): boolean {
  try {
    return localStorage.getItem(key) !== null;
  } catch {
    return false;
  }
}

/** Opens the line to the others, once the page stands. */
export async function beginWhereJoined(): Promise<void> {
  if (!isJoined()) return;
  const { beginSync } = await import('./live');
  await beginSync();
}

/** A picture that is not here may be on another device. */
export async function askOthersForPhoto(id: string): Promise<void> {
  if (!isJoined()) return;
  const { askPhoto } = await import('./live');
  askPhoto(id);
}
