/**
 * Sources for Jest, by swc. Jest runs them in a context of its own, in which every use of a
 * global asks an interceptor: hot loops ran some twenty times slower than in the product.
 * So each module first takes those that sums are made of as constants of its own.
 */
const { createTransformer } = require('@swc/jest');

const GLOBALS = ['Math', 'Number', 'Infinity', 'Map', 'Float32Array', 'Float64Array', 'Int32Array', 'Uint32Array', 'Uint8Array', 'Uint8ClampedArray']; // prettier-ignore

const forTests = ({ tsx }) =>
  createTransformer({
    jsc: { parser: { syntax: 'typescript', tsx }, target: 'es2022', transform: { react: { runtime: 'automatic' } } },
    module: { type: 'commonjs' },
  });
const [plain, react] = [forTests({ tsx: false }), forTests({ tsx: true })];
const transformerOf = (path) => (path.endsWith('x') ? react : plain);

/** Left out where the module declares such a name itself. */
const declares = (source, name) =>
  new RegExp(`\\b(?:const|let|var|class|function)\\s+(?:\\{[^}=]*\\b)?${name}\\b`).test(source);
const ownGlobals = (source) => GLOBALS.filter((name) => !declares(source, name));

module.exports = {
  getCacheKey: (source, path, options) => `${transformerOf(path).getCacheKey(source, path, options)}4`,
  process: (source, path, options) => {
    const made = transformerOf(path).process(source, path, options);
    const names = ownGlobals(made.code);
    // On the first line, so that the places of everything else stay what they are.
    return { ...made, code: `'use strict';const { ${names.join(', ')} } = globalThis;${made.code}` };
  },
};
