/** jsdom with the classes of Node for fetch and for text, which jsdom leaves out. */
const { TestEnvironment } = require('jest-environment-jsdom');

module.exports = class extends TestEnvironment {
  constructor(...args) {
    super(...args);
    Object.assign(this.global, { Request, Response, Headers, AbortController, AbortSignal, TextDecoder, TextEncoder });
  }
};
