/**
 * Where tests of core and server run: in Node's own context, where a look at a global is not sent through another one, and
 * with the core that this worker has read already.
 */
const NodeEnvironment = require('jest-environment-node-single-context');
const { core, SHARED } = require('./coreBundle.cjs');

module.exports = class extends NodeEnvironment {
  constructor(...args) {
    super(...args);
    this.global[SHARED] = core;
  }
};
