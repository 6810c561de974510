import { SignedIn } from '../screens/people/SignedIn';
import { OrdersScreen } from '../screens/orders/OrdersScreen';

export default function OrdersRoute() {
  return (
    <SignedIn title="Orders" purpose="Orders tell of patients: sign in to see them.">
      <OrdersScreen />
    </SignedIn>
  );
}
