/** A line in which a student sees the terms underlined that were not looked at yet. */
import { termsIn } from '@taktik/core';
import { Fragment, type ComponentProps } from 'react';
import { useAppSelector } from '../../state/hooks';
import { Words } from '../Words';

type Props = Omit<ComponentProps<typeof Words>, 'children'> & { text: string };

export function TermWords({ text, ...rest }: Props) {
  const learns = useAppSelector((state) => state.who.person?.role === 'student');
  const read = useAppSelector((state) => state.preferences.termsRead);
  if (!learns) return <Words {...rest}>{text}</Words>;
  const fresh = termsIn(text).filter(({ term }) => !read.includes(term.id));
  return (
    <Words {...rest}>
      {fresh.map(({ start, end }, i) => (
        <Fragment key={start}>
          {text.slice(fresh[i - 1]?.end ?? 0, start)}
          <Words
            kind={rest.kind}
            tone={rest.tone}
            style={{ textDecorationLine: 'underline', textDecorationStyle: 'dotted' }}
          >
            {text.slice(start, end)}
          </Words>
        </Fragment>
      ))}
      {text.slice(fresh.at(-1)?.end ?? 0)}
    </Words>
  );
}
