/** Production only: the development server has no sw.js, and a stale worker would hide fresh code. */
export function registerServiceWorker(): void {
  if (process.env.NODE_ENV !== 'production' || typeof navigator === 'undefined' || !('serviceWorker' in navigator))
    return;
  const go = () => void navigator.serviceWorker.register('/sw.js').catch(() => {});
  if (document.readyState === 'complete') go();
  else window.addEventListener('load', go);
}
