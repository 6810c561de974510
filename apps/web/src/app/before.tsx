import { BeforeScreen } from '../screens/before/BeforeScreen';
import { SignedIn } from '../screens/people/SignedIn';

export default function BeforeRoute() {
  return (
    <SignedIn title="Before the patient" purpose="An exam belongs to whoever does it: sign in to go on.">
      <BeforeScreen />
    </SignedIn>
  );
}
