import { act } from '@testing-library/react';
import { mockHere, show } from '../../testing/screenHarness';
import { defaultDepartment } from '@taktik/core';
import { save } from '../../state/storage';
import { useIdle } from './useIdle';

const MINUTE_MS = 60_000;
function Screen() {
  useIdle();
  return null;
}
const pass = (ms: number) => act(async () => void (await jest.advanceTimersByTimeAsync(ms)));

beforeEach(() => {
  jest.useFakeTimers();
  mockHere.answers['/api/department'] = { ...defaultDepartment, idleMinutes: 5 };
});
afterEach(() => jest.useRealTimers());

test('who touches nothing for as long as the department says is signed out, and told so', async () => {
  const store = show(<Screen />);
  await pass(4 * MINUTE_MS);
  expect(store.getState().who.person).not.toBeNull();
  await pass(1.5 * MINUTE_MS);
  expect(store.getState().who.person).toBeNull();
});

test('an idle tab does not sign out the one in use', async () => {
  const store = show(<Screen />);
  // The other tab of the device is touched every minute; this one never.
  for (let minute = 0; minute < 12; minute += 1) {
    save('touched', Date.now());
    await pass(MINUTE_MS);
  }
  expect(store.getState().who.person).not.toBeNull();
});
