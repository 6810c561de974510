/** Whether the program runs in a browser's window: in a worker, and on a device without one, nothing can be listened to. */
export const hasWindow = typeof window !== 'undefined' && 'addEventListener' in window;
