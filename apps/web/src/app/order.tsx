import { OrderPlace } from '../places/orders/OrderPlace';
import { SignedIn } from '../places/people/SignedIn';

export default function OrderScreen() {
  return (
    <SignedIn title="Order" purpose="Orders tell of patients: sign in to see them.">
      <OrderPlace />
    </SignedIn>
  );
}
