/** The one thing that the app takes from the renderer itself. */
declare module 'react-dom' {
  export function flushSync<T>(work: () => T): T;
}
