import { useRef } from 'react';
import { v4 } from 'uuid';
import { inWords } from '../../api/client';
import type { useTellPart } from '../../api/part';
import { Leaf } from '../../parts/Leaf';
import { TextForm } from '../../parts/TextForm';
import type { TallyRow } from './TallyTable';

/** A part goes to scrap, with why; it can be begun again in its place. */
export function ScrapLeaf({
  row,
  onClose,
  tell,
}: {
  row: TallyRow;
  onClose: () => void;
  tell: ReturnType<typeof useTellPart>;
}) {
  const id = useRef(v4());
  return (
    <Leaf title={`Scrap part ${row.place}`} open onClose={onClose}>
      <p className="how">It stays in the tally, struck out. Undo at its lathe screen takes this back.</p>
      <TextForm
        label="What spoilt it"
        value=""
        act="Scrap it"
        onTold={why =>
          tell.mutate({ part: row.job, id: id.current, act: { kind: 'scrapped', why } }, { onSuccess: onClose })
        }
      />
      {tell.isError && (
        <p className="fault" role="alert">
          {inWords(tell.error)}
        </p>
      )}
    </Leaf>
  );
}
