import { screen } from '@testing-library/react';
import { mockHere, show } from '../../testing/screenHarness';
import { AftercareScreen } from './AftercareScreen';

test('after barium there is a sheet for the patient; after a knee there is none', () => {
  mockHere.params = { of: 'stomach-ap,stomach-pa' };
  show(<AftercareScreen />);
  expect(screen.getByText(/Drink much more than usual/)).toBeTruthy();
  mockHere.params = { of: 'knee-ap' };
  show(<AftercareScreen />);
  expect(screen.getByText('Nothing to hand out')).toBeTruthy();
});
