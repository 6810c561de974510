/** Both charts in one piece, so that their library is loaded with them and not with the app. */
export { default as LineOver } from './LineOver';
export { default as NumberedBars } from './NumberedBars';
