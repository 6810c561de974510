/** One thread of the pool: it takes jobs, and knows of nothing else. */
export { perform as default } from './tasks';
