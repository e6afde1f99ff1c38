/**
 * The command line's bundle, with what V8 had compiled of it at the end of the run that the
 * build makes: a process that starts neither parses nor compiles it again. V8 itself turns
 * down what another version made; then it is compiled as usual.
 */
const { existsSync, readFileSync, writeFileSync } = require('node:fs');
const { createRequire, wrap } = require('node:module');
const { join } = require('node:path');
const { Script } = require('node:vm');

const folder = join(__dirname, '..', 'dist');
const [bundle, compiled] = [join(folder, 'wobrel.cjs'), join(folder, 'wobrel.compiled')];

if (!existsSync(bundle)) {
  console.error('wobrel is not built yet: run "npm run build:tools" first');
  process.exit(2);
}
const script = new Script(wrap(readFileSync(bundle, 'utf8')), {
  filename: bundle,
  cachedData: existsSync(compiled) ? readFileSync(compiled) : undefined,
});
script.runInThisContext()(exports, createRequire(bundle), module, bundle, folder);

/** For the build, at the end of a run that does what is done most. */
if (process.env.WOBREL_COMPILE) process.on('exit', () => writeFileSync(compiled, script.createCachedData()));
