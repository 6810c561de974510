import { SignedIn } from '../../places/people/SignedIn';
import { ExposurePlace } from '../../places/record/ExposurePlace';

export default function ExposureScreen() {
  return (
    <SignedIn title="Exposure" purpose="The record tells of patients: sign in to see it.">
      <ExposurePlace />
    </SignedIn>
  );
}
