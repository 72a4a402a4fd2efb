import { useRef } from 'react';
import { v4 } from 'uuid';
import { type BatchFacts, inWords } from '../../api/client';
import type { useTellPart } from '../../api/part';
import { Leaf } from '../../parts/Leaf';
import { LengthForm } from '../../parts/LengthForm';
import type { TallyRow } from './TallyTable';
import { text } from '../../app/voice';

/** Plain sizes read of one part. */
export function SizeLeaf({
  row,
  plain,
  onClose,
  tell,
}: {
  row: TallyRow;
  plain: NonNullable<BatchFacts['plain']>;
  onClose: () => void;
  tell: ReturnType<typeof useTellPart>;
}) {
  // Sent again after a dead network, a reading is still one reading.
  const ids = useRef(new Map<string, string>());
  const send = async (mm: Record<string, number | null>) => {
    for (const p of plain) {
      const read = mm[p.name ?? ''];
      if (read == null) continue;
      const key = `${p.name} ${read}`;
      ids.current.set(key, ids.current.get(key) ?? v4());
      await tell.mutateAsync({
        part: row.job,
        id: ids.current.get(key) ?? v4(),
        act: { kind: 'sized', name: p.name ?? '', mm: read },
      });
    }
    onClose();
  };
  return (
    <Leaf title={text('batch-part-sizes-read', { place: row.place })} open onClose={onClose}>
      <LengthForm
        fields={plain.map(p => ({ name: p.name ?? '', says: p.name ?? '', optional: plain.length > 1 }))}
        act={text('page-tell-it')}
        disabled={tell.isPending}
        onSet={(mm, told) => void send(mm).then(told, () => undefined)}
      />
      {tell.isError && (
        <p className="fault" role="alert">
          {inWords(tell.error)}
        </p>
      )}
    </Leaf>
  );
}
