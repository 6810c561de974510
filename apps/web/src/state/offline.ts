/** Lets the app open without a network: registers the service worker that the build makes. */
export function keepForOffline(): void {
  if (process.env.NODE_ENV !== 'production' || typeof navigator === 'undefined' || !('serviceWorker' in navigator))
    return;
  window.addEventListener('load', () => {
    // Without it the app still works online; there is nothing for the user to do about a failure.
    navigator.serviceWorker.register('/sw.js').catch(() => undefined);
  });
}
