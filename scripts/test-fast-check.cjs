/** Property tests draw the same cases on every run, so that a run says something about the change and not about luck. FC_SEED tries others. */
const fc = require('../node_modules/fast-check/lib/cjs/fast-check.js');

fc.default.configureGlobal({ seed: Number(process.env.FC_SEED ?? 20_261) });
module.exports = fc;
