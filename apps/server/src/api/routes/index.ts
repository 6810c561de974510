/** All routes of the API. The server that answers and the document that describes it are made from this table. */
import type { Route } from '../route';
import { catalogue } from './catalogue';
import { general } from './general';
import { house } from './house';
import { people } from './people';
import { work } from './work';

export { questions } from './questions';
export const routes: readonly Route[] = [...general, ...catalogue, ...house, ...people, ...work];
