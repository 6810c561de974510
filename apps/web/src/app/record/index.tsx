import { SignedIn } from '../../places/people/SignedIn';
import { RecordPlace } from '../../places/record/RecordPlace';

export default function RecordScreen() {
  return (
    <SignedIn title="Record" purpose="The record tells of patients: sign in to see it.">
      <RecordPlace />
    </SignedIn>
  );
}
