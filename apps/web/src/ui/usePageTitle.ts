/** What the window, the history and a screen reader call this page. */
import { useEffect } from 'react';

const APP = 'Taktik';

export function usePageTitle(title: string, detail?: string): void {
  const whole = [title, ...(detail ? [detail] : []), APP].join(' · ');
  useEffect(() => {
    if (typeof document !== 'undefined') document.title = whole;
  }, [whole]);
}
