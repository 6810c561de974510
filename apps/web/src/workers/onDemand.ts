/** Parts of the core that are loaded only where they are needed. */
export const exerciseCore = () => import('@taktik/core/exercise');
export type ExerciseCore = Awaited<ReturnType<typeof exerciseCore>>;
export const pictureCore = () => import('@taktik/core/picture');
