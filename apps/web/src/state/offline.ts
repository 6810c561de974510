/** Lets the app open without a network: registers the service worker that the build makes. */
export function keepForOffline(): void {
  if (__DEV__ || typeof navigator === 'undefined' || !('serviceWorker' in navigator)) return;
  const register = () => {
    // Without it the app still works online; there is nothing for the user to do about a failure.
    navigator.serviceWorker.register('/sw.js').catch(() => undefined);
  };
  if (document.readyState === 'complete') register();
  else window.addEventListener('load', register, { once: true });
}
