/** Tells the other tabs of this browser that the log has grown. */
const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('northcove');

export const tellOthers = () => channel?.postMessage('log');
export const onOthers = (f: () => void) => channel?.addEventListener('message', f);
