import { screen } from '@testing-library/react';
import { mockHere, show } from '../../testing/placeHarness';
import { AftercarePlace } from './AftercarePlace';

test('after barium there is a sheet for the patient; after a knee there is none', () => {
  mockHere.params = { of: 'stomach-ap,stomach-pa' };
  show(<AftercarePlace />);
  expect(screen.getByText(/Drink much more than usual/)).toBeTruthy();
  mockHere.params = { of: 'knee-ap' };
  show(<AftercarePlace />);
  expect(screen.getByText('Nothing to hand out')).toBeTruthy();
});
