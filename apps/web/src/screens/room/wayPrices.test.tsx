import { defaultWayPrices, withDepartmentDefaults, type Department } from '@taktik/core';
import { fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import { show } from '../../testing/screenHarness';
import { WayPricesPanel } from './WayPricesPanel';

const changes: Partial<Department>[] = [];
const now = (): Department => withDepartmentDefaults(Object.assign({}, ...changes));
function Harness() {
  const [department, setDepartment] = useState(withDepartmentDefaults());
  const change = (part: Partial<Department>) => {
    changes.push(part);
    setDepartment({ ...department, ...part });
  };
  return <WayPricesPanel department={department} change={change} />;
}

test('folded away until they are wanted; one is set, counted, and all are as shipped again', () => {
  show(<Harness />);
  expect(screen.queryByText('Turn of the patient')).toBeNull();
  fireEvent.click(screen.getByRole('button', { name: 'Prices of other ways' }));
  expect(screen.getByText('dose to somebody else')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: /Turn of the patient.*(more|up|increase|\+)/i }));
  expect(now().wayPrices.turn).toBe(defaultWayPrices.turn + 1);
  fireEvent.click(screen.getByRole('button', { name: 'Fold the prices of other ways away' }));
  expect(screen.getByText('Prices of other ways · 1 of your own')).toBeTruthy();
  fireEvent.click(screen.getByRole('button', { name: 'Prices of other ways' }));
  fireEvent.click(screen.getByRole('button', { name: 'Prices of other ways as shipped' }));
  expect(now().wayPrices).toEqual(defaultWayPrices);
});
