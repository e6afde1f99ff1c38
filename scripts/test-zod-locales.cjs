/** Of the messages that Zod has in forty languages only the English ones, as in what is built. */
exports.en = require('../node_modules/zod/v4/locales/en.cjs').default;
