import type { ReactNode } from 'react';

/** A drawing that is told in words beside it: out of reach of keys and screen readers, whatever the library makes of it. */
export const Drawing = ({ children }: { children: ReactNode }) => (
  <div aria-hidden inert>
    {children}
  </div>
);
