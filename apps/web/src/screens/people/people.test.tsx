import { fireEvent, screen } from '@testing-library/react';
import { mockHere, person, show } from '../../testing/screenHarness';
import { OrdersScreen } from '../orders/OrdersScreen';
import { SignedIn } from './SignedIn';

describe('signing in', () => {
  beforeEach(() => localStorage.removeItem('taktik.who'));
  const gate = () => (
    <SignedIn title="Orders" purpose="Orders tell of patients: sign in to see them.">
      <OrdersScreen />
    </SignedIn>
  );
  it('asks for a name and a PIN by large keys, then shows the orders', async () => {
    mockHere.answers['/api/sessions'] = { token: 't', person };
    mockHere.answers['/api/people'] = [{ ...person, demoPin: '2580' }];
    const store = show(gate());
    expect(await screen.findByText('Orders tell of patients: sign in to see them.')).toBeTruthy();
    expect(screen.queryByText('Sacrum and coccyx')).toBeNull();
    expect(await screen.findByText('Demo, invented people: Ines Oakfield 2580')).toBeTruthy();
    fireEvent.click(screen.getByLabelText('Ines Oakfield, lead'));
    for (const key of ['2', '5', '8', '0']) fireEvent.click(screen.getByLabelText(key));
    fireEvent.click(screen.getAllByLabelText('Sign in').at(-1)!);
    expect(await screen.findByText('Sacrum and coccyx')).toBeTruthy();
    expect(mockHere.sent[0]).toEqual({ path: '/api/sessions', body: { personId: person.id, pin: '2580' } });
    expect(store.getState().who.person?.name).toBe('Ines Oakfield');
    expect(localStorage.getItem('taktik.who')).toContain('Ines Oakfield');
  });
  it('without a server it says what still works', async () => {
    mockHere.reachable = false;
    show(gate());
    expect(await screen.findByText('▲ Nobody can sign in now')).toBeTruthy();
    expect(screen.getByText(/Find and Set up work without it/)).toBeTruthy();
  });
});
