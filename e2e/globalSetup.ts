/** Before all tests: the demo's data, made by the real server's first start. */
import { discard, emptyFolder, keepSeeded } from './demoFolder';
import { DemoServer } from './demoServer';

export default async function globalSetup(): Promise<() => void> {
  const folder = emptyFolder();
  const first = await DemoServer.start(folder);
  await first.down();
  keepSeeded(folder);
  return () => discard(folder);
}
