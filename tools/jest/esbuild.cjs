/**
 * Jest transform of our own sources: on a fresh machine it takes a tenth of the time that a whole compiler takes. What a
 * module of ours exports is plain data once it has run, not a getter behind a getter: none imports itself in a circle, so
 * nobody can ask for it earlier.
 */
const { createHash } = require('node:crypto');
const { readFileSync } = require('node:fs');
const path = require('node:path');
const esbuild = require('esbuild');
const { bundle, requiring, sources } = require('./coreBundle.cjs');

const self = createHash('sha256').update(readFileSync(__filename)).update(esbuild.version).update(bundle).digest('hex');
/** What replaces a file of the core by another needs the files themselves. */
const REPLACES = /jest\.doMock\(/;
/** A test of the core takes what it imports from the one module that is made of all of it. */
function fromBundle(code, filename) {
  const here = path.relative(sources, path.dirname(filename));
  if (here.startsWith('..') || !filename.endsWith('.test.ts') || REPLACES.test(code)) return code;
  return code.replace(/\brequire\("(\.[^"]*)"\)/g, (asked, file) => requiring(path.join(here, file)) ?? asked);
}
const EXPORTED = /^module\.exports = __toCommonJS\((\w+)\);$/m;

module.exports = {
  getCacheKey: (source, filename) => createHash('sha256').update(self).update(filename).update(source).digest('hex'),
  process(source, filename) {
    const { code: plain } = esbuild.transformSync(source, {
      loader: /\.m?js$/.test(filename) ? 'js' : 'ts',
      format: 'cjs',
      target: 'node20',
      sourcemap: 'inline',
      sourcesContent: false,
      sourcefile: filename,
    });
    const code = fromBundle(plain, filename);
    const exported = filename.includes('node_modules') ? undefined : EXPORTED.exec(code)?.[1];
    if (!exported) return { code };
    // The map of the source stands on the last line.
    const map = code.lastIndexOf('//# sourceMappingURL');
    const body = code.slice(0, map).replace(EXPORTED, '');
    return { code: `${body}module.exports = { __esModule: true, ...${exported} };\n${code.slice(map)}` };
  },
};
