/** The picture is sent to be repeated: only with a cause, which goes to the record. */
import { Button } from '@rneui/themed';
import { defaultDepartment } from '@taktik/core';
import { useState } from 'react';
import { useDepartmentQuery } from '../../state/api';
import { Choice } from '../../ui/Choice';
import { Sheet } from '../../ui/Sheet';
import { Words } from '../../ui/Words';

type Props = {
  open: boolean;
  name: string;
  checks: readonly string[];
  onRepeat: (cause: string) => void;
  onClose: () => void;
};

export function LookSheet({ open, name, checks, onRepeat, onClose }: Props) {
  const { data: department = defaultDepartment } = useDepartmentQuery();
  const [cause, setCause] = useState<string | undefined>();
  /** A cause that was picked and left must not stand ready for the next picture. */
  const leave = () => {
    setCause(undefined);
    onClose();
  };
  return (
    <Sheet title={`Repeat ${name}`} open={open} onClose={leave}>
      <Words tone="soft">{`A good picture: ${checks.join('; ')}`}</Words>
      <Choice
        label="Cause of the repeat"
        options={department.repeatCauses.map((each) => ({ value: each, label: each }))}
        value={cause}
        onChange={setCause}
      />
      <Button
        title="Repeat it"
        disabled={!cause}
        onPress={() => {
          if (cause) onRepeat(cause);
          setCause(undefined);
        }}
      />
    </Sheet>
  );
}
