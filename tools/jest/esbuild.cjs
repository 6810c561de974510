/**
 * Jest transform of our own sources: on a fresh machine it takes a tenth of the time that a whole compiler takes. What a
 * module of ours exports is plain data once it has run, not a getter behind a getter: none imports itself in a circle, so
 * nobody can ask for it earlier.
 */
const { createHash } = require('node:crypto');
const { readFileSync } = require('node:fs');
const esbuild = require('esbuild');

const self = createHash('sha256').update(readFileSync(__filename)).update(esbuild.version).digest('hex');
const EXPORTED = /^module\.exports = __toCommonJS\((\w+)\);$/m;

module.exports = {
  getCacheKey: (source, filename) => createHash('sha256').update(self).update(filename).update(source).digest('hex'),
  process(source, filename) {
    const { code } = esbuild.transformSync(source, {
      loader: /\.m?js$/.test(filename) ? 'js' : 'ts',
      format: 'cjs',
      target: 'node20',
      sourcemap: 'inline',
      sourcesContent: false,
      sourcefile: filename,
    });
    const exported = filename.includes('node_modules') ? undefined : EXPORTED.exec(code)?.[1];
    if (!exported) return { code };
    // The map of the source stands on the last line.
    const map = code.lastIndexOf('//# sourceMappingURL');
    const body = code.slice(0, map).replace(EXPORTED, '');
    return { code: `${body}module.exports = { __esModule: true, ...${exported} };\n${code.slice(map)}` };
  },
};
