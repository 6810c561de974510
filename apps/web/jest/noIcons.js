/** Icon families that the app does not draw with. */
module.exports = { __esModule: true, default: () => null };
