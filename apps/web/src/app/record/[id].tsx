import { SignedIn } from '../../screens/people/SignedIn';
import { ExposureScreen } from '../../screens/record/ExposureScreen';

export default function ExposureRoute() {
  return (
    <SignedIn title="Exposure" purpose="The record tells of patients: sign in to see it.">
      <ExposureScreen />
    </SignedIn>
  );
}
