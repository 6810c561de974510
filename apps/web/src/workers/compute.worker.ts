/** The compute worker: set-ups, drawings, changes and search, off the screen's thread. */
import { expose } from 'comlink';
import { computeService } from './service';

expose(computeService);
