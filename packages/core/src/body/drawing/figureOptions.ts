/** How fine a figure is drawn, and what of it. */
export type FigureOptions = {
  /** Cells along the longer side of the box: the finest detail is the box divided by this. */
  cells: number;
  /** Fingers one by one, and the face. */
  fine: boolean;
  /** Only these segments; all when left out. */
  shown?: (segment: string) => boolean;
};
