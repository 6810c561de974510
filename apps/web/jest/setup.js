/** What the browser has and jsdom has not. Nothing in a test reaches a network. */
process.env.EXPO_PUBLIC_API = 'http://taktik.test';
globalThis.fetch ??= () => Promise.reject(new TypeError('no network in unit tests'));

// The DOM of the tests has no canvas to draw on; what is drawn is seen in the browser tests.
if (typeof HTMLCanvasElement !== 'undefined') HTMLCanvasElement.prototype.getContext = () => null;
