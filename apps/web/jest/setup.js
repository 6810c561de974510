/** What the browser has and jsdom has not. Nothing in a test reaches a network. */
globalThis.fetch ??= () => Promise.reject(new TypeError('no network in unit tests'));
