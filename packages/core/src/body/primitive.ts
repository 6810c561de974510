/** One solid of the body: a bone, an organ, a layer of the skin. */
import type { Shape } from './shape';

export type TissueClass = 'bone' | 'soft' | 'air';

export type Primitive = {
  id: string;
  organ: string;
  tissue: TissueClass;
  /** Part of the body envelope, whose union is the skin. */
  skin: boolean;
  segment: string;
  /** 1 = always drawn, 2 = fine detail. */
  detail: 1 | 2;
  shape: Shape;
  material: string;
  /** At any point the material of the highest priority wins. */
  priority: number;
  /** The same shape shrunk by `t` mm holds another material at half a step more priority: marrow, muscle under fat. */
  inner?: { material: string; t: number | readonly number[] };
};
