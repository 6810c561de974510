/** What the browser has and jsdom has not. Nothing in a test reaches a network. */
process.env.EXPO_PUBLIC_API = 'http://taktik.test';
globalThis.fetch ??= () => Promise.reject(new TypeError('no network in unit tests'));
