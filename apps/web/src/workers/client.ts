/** One worker for the app, made when it is first asked. */
import { wrap, type Remote } from 'comlink';
import type { ComputeService } from './service';

let remote: Remote<ComputeService> | undefined;

export function compute(): Remote<ComputeService> {
  remote ??= wrap<ComputeService>(new Worker(new URL('./compute.worker.ts', import.meta.url)));
  return remote;
}
