/**
 * jsdom with the classes of Node for fetch and for text, which jsdom leaves out, and with the core that this worker has
 * read already: what it throws, and what files are made of, are of the same kind for both.
 */
const { TestEnvironment } = require('jest-environment-jsdom');
const { core, SHARED } = require('../../../tools/jest/coreBundle.cjs');

module.exports = class extends TestEnvironment {
  constructor(...args) {
    super(...args);
    Object.assign(this.global, { Request, Response, Headers, AbortController, AbortSignal, TextDecoder, TextEncoder });
    Object.assign(this.global, { structuredClone });
    Object.assign(this.global, { RangeError, ArrayBuffer, Uint8Array, Uint16Array, DataView, [SHARED]: core });
  }
};
