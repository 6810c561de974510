import { SignedIn } from '../../screens/people/SignedIn';
import { RecordScreen } from '../../screens/record/RecordScreen';

export default function RecordRoute() {
  return (
    <SignedIn title="Record" purpose="The record tells of patients: sign in to see it.">
      <RecordScreen />
    </SignedIn>
  );
}
