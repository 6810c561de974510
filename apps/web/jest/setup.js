/** What the browser has and jsdom has not. Nothing in a test reaches a network. */
process.env.EXPO_PUBLIC_API = 'http://taktik.test';
globalThis.fetch = () => Promise.reject(new TypeError('no network in unit tests'));

// The DOM of the tests has no canvas to draw on; what is drawn is seen in the browser tests.
if (typeof HTMLCanvasElement !== 'undefined') HTMLCanvasElement.prototype.getContext = () => null;

/**
 * Whether something is seen is asked of every element again and again, and the DOM of the tests goes through all rules
 * each time. The rules go by class alone, and a class never changes its rules: asked once per class and style.
 */
if (typeof window !== 'undefined') {
  const compute = window.getComputedStyle.bind(window);
  const known = new Map();
  window.getComputedStyle = (element, pseudo) => {
    const key = [element.tagName, element.getAttribute('class'), element.getAttribute('style'), pseudo].join('\n');
    if (!known.has(key)) known.set(key, compute(element, pseudo));
    return known.get(key);
  };
}

// A database in memory; a test that wants a new one makes one.
require('fake-indexeddb/auto');
