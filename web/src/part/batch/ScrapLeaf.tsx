import { useRef } from 'react';
import { v4 } from 'uuid';
import { inWords } from '../../api/client';
import type { useTellPart } from '../../api/part';
import { Leaf } from '../../parts/Leaf';
import { TextForm } from '../../parts/TextForm';
import type { TallyRow } from './TallyTable';
import { text } from '../../app/voice';

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
    <Leaf title={text('batch-scrap-part', { place: row.place })} open onClose={onClose}>
      <p className="how">{text('batch-stays-tally-struck')}</p>
      <TextForm
        name="scrap"
        label={text('page-what-spoilt-it')}
        value=""
        act={text('page-scrap-it')}
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
