/**
 * A body brought to what was measured on it and to how it lies: the same plain data, stretched once more.
 */
import { bodyInState, type Body } from './body';
import type { BodyState } from './organs';
import type { Stretch } from './proportion';

/** `girth` multiplies the flesh of some segments along x (0) or y (1). */
export type BodyAdapt = {
  state: BodyState;
  girth: { segments: readonly string[]; axis: 0 | 1; factor: number } | null;
};

const wider = (flesh: Stretch['flesh'], axis: 0 | 1, factor: number): Stretch['flesh'] =>
  axis === 0 ? [flesh[0] * factor, flesh[1], flesh[2]] : [flesh[0], flesh[1] * factor, flesh[2]];

/** A body in a state, made once: a body is never changed, so it holds as long as the body does. */
const inStates = new WeakMap<Body, Map<string, Body>>();

function inState(body: Body, state: BodyState): Body {
  let known = inStates.get(body);
  if (!known) inStates.set(body, (known = new Map()));
  const key = `${state.rest} ${state.breath}`;
  let own = known.get(key);
  if (!own) known.set(key, (own = bodyInState(body, state)));
  return own;
}

export function adaptBody(body: Body, { state, girth }: BodyAdapt): Body {
  const own = inState(body, state);
  if (!girth) return own;
  const segments = { ...own.segments };
  for (const id of girth.segments) {
    const { stretch } = segments[id];
    const flesh = wider(stretch.flesh, girth.axis, girth.factor);
    const far = stretch.far && { ...stretch.far, flesh: wider(stretch.far.flesh, girth.axis, girth.factor) };
    segments[id] = { ...segments[id], stretch: { ...stretch, flesh, ...(far && { far }) } };
  }
  return { ...own, segments };
}
