import { OrderScreen } from '../screens/orders/OrderScreen';
import { SignedIn } from '../screens/people/SignedIn';

export default function OrderRoute() {
  return (
    <SignedIn title="Order" purpose="Orders tell of patients: sign in to see them.">
      <OrderScreen />
    </SignedIn>
  );
}
