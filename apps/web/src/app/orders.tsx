import { SignedIn } from '../places/people/SignedIn';
import { OrdersPlace } from '../places/orders/OrdersPlace';

export default function OrdersScreen() {
  return (
    <SignedIn title="Orders" purpose="Orders tell of patients: sign in to see them.">
      <OrdersPlace />
    </SignedIn>
  );
}
