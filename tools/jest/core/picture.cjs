/** What a test has in place of the package: the core that its worker has read. */
module.exports = globalThis['taktik core']('picture/index');
