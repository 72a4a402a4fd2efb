import type { LatheView } from '../api/client';
import { FieldsForm } from '../parts/FieldsForm';
import { Leaf } from '../parts/Leaf';
import { FIELDS, type PartName } from './fields';
import type { useLatheChange } from './hooks';
import { TrialForm } from './TrialForm';

export interface PartProps {
  view: LatheView;
  change: ReturnType<typeof useLatheChange>['change'];
  onClose: () => void;
}

/** What is told as a whole: told nothing at all any more, it is not there. */
const WHOLES = ['dial', 'readout', 'arm'];

/** A part of the lathe, told field by field; a fault stands by its field and nothing typed is lost. */
export function PartLeaf({ part, ...props }: PartProps & { part: PartName | null }) {
  const asked = part ? FIELDS()[part] : undefined;
  return (
    <Leaf title={asked?.title ?? ''} open={asked !== undefined} onClose={props.onClose} wide={part === 'arm'}>
      {part && asked && (
        <>
          <FieldsForm
            key={part}
            how={asked.how}
            fields={asked.fields}
            value={props.view.profile}
            wholes={WHOLES}
            columns={part === 'arm'}
            busy={props.change.isPending}
            onSend={(patch, onError) =>
              props.change.mutate({ says: asked.title.toLowerCase(), patch }, { onSuccess: props.onClose, onError })
            }
          />
          {part === 'stud' && <TrialForm of="ratio" {...props} />}
          {part === 'dial' && <TrialForm of="dial" {...props} />}
        </>
      )}
    </Leaf>
  );
}
