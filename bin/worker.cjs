/** The command line's thread, of the same bundle. */
module.exports = require('./compiled.cjs');
