/** What a way is as the search hands it out. */
import type { SetupRequest } from '../setup/request';
import type { Setup } from '../setup/setup';
import type { Fact } from '../words/fact';
import type { Cost } from './costs';

/** A fact with its sentence. */
export type Said = Fact & { text: string };

export type OtherWay = {
  /** Short text of the way, the same whenever the same is found. */
  id: string;
  /** What takes it into a series. */
  request: Pick<SetupRequest, 'projectionId' | 'side' | 'digit' | 'way' | 'overrides'>;
  /** Of the lower half, where a joint is shown in two. */
  secondRequest: Pick<SetupRequest, 'projectionId' | 'side' | 'way' | 'overrides'> | null;
  name: string;
  says: string;
  setup: Setup;
  second: Setup | null;
  /** Degrees between the ray and the wanted one in the part. */
  offDeg: number;
  /** What it keeps of the usual way. */
  keeps: Said[];
  costs: Cost[];
  /** What the reader of the picture must know. */
  tell: Said[];
  /** Points of all costs: the ways are ranked by them. */
  points: number;
};
