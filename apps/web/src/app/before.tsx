import { BeforePlace } from '../places/before/BeforePlace';
import { SignedIn } from '../places/people/SignedIn';

export default function BeforeScreen() {
  return (
    <SignedIn title="Before the patient" purpose="An exam belongs to whoever does it: sign in to go on.">
      <BeforePlace />
    </SignedIn>
  );
}
