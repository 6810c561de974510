/** Print shows the page alone, whole, without what is only for the screen (`noprint`); a `leaf` is not torn. */
import { useEffect } from 'react';

/** Pages break between projections, and nothing but the book is printed. */
const PRINT_CSS = `@media print {
  [role="navigation"], [data-noprint], [aria-label="Places"] { display: none !important; }
  html, body, #root, #root * { overflow: visible !important; height: auto !important; max-height: none !important; }
  svg, svg * { height: revert-layer !important; }
  [data-leaf] { break-inside: avoid; }
  @page { margin: 14mm; }
}`;

/** Only for the screen. */
export const NO_PRINT = { dataSet: { noprint: '1' } } as object;
/** Stays on one page. */
export const LEAF = { dataSet: { leaf: '1' } } as object;

export function usePrintStyle(): void {
  useEffect(() => {
    const style = document.createElement('style');
    style.textContent = PRINT_CSS;
    document.head.appendChild(style);
    return () => style.remove();
  }, []);
}
