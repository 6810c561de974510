/** An answer of the worker that belongs to what is asked: the latest wins, and an older one is never shown for it. */
import { useEffect, useState } from 'react';

export function useAnswer<Asked, Answer>(asked: Asked | null, ask: (asked: Asked) => Promise<Answer>): Answer | null {
  const [state, setState] = useState<{ key: string; answer: Answer } | null>(null);
  const key = asked === null ? '' : JSON.stringify(asked);
  useEffect(() => {
    if (key === '') return undefined;
    let live = true;
    void ask(JSON.parse(key) as Asked).then((answer) => live && setState({ key, answer }));
    return () => {
      live = false;
    };
    // What is asked says all; how it is asked does not change.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);
  return state && state.key === key ? state.answer : null;
}
