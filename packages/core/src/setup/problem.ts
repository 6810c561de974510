/** Why a set-up cannot or must not be done so, or what it lacks. */
export type Problem = { code: string; text: string };
