/** What is said when a picture cannot be made: whether one from before still stands there is not to be guessed. */
export const pictureTrouble = (error: string, shown: boolean): string =>
  shown ? `${error}. The picture shown is still that from before.` : `There is no picture: ${error}`;
