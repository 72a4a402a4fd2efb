import { useState } from 'react';
import type { ActKind, PointedPlan } from '../../api/client';
import { Leaf } from '../../parts/Leaf';
import { useDraft } from '../../parts/draft';
import { TypedFigure } from '../../parts/TypedFigure';
import { text } from '../../app/voice';

/** Takes a whole reading of the dial that carries the depth, in that dial's own unit. */
export function StandsForm({
  plan,
  of,
  act,
  onRead,
}: {
  plan: PointedPlan;
  /** What is read, for its draft. */
  of: ActKind['kind'];
  act: string;
  onRead: (reading: number) => void;
}) {
  const [written, setText, clear] = useDraft(`reading:${of}`, '');
  const [fault, setFault] = useState<string | null>(null);
  const { unit, slide } = plan.cut.dial;
  const enter = () => {
    const reading = Number(written.replace(',', '.'));
    if (written.trim() === '' || Number.isNaN(reading) || reading < 0) {
      setFault(text('cut-reading-write-dial', { text: written, unit, example: unit === 'in' ? '0.046' : '1.25' }));
      return;
    }
    clear();
    onRead(reading);
  };
  return (
    <form
      className="editor"
      onSubmit={e => {
        e.preventDefault();
        enter();
      }}
    >
      <TypedFigure
        label={text('cut-whole-reading-zero', {
          compound: slide === 'compound' ? text('cut-compound') : text('setting-cross-slide'),
          unit,
        })}
        written={written}
        onChange={setText}
        fault={fault}
        first
      />
      <button type="submit" className="act">
        {act}
      </button>
    </form>
  );
}

/** Tells where the dial stands: one act puts everything back in step. */
export function StandsLeaf({
  plan,
  open,
  onClose,
  record,
}: {
  plan: PointedPlan;
  open: boolean;
  onClose: () => void;
  record: (act: ActKind) => void;
}) {
  return (
    <Leaf title={text('cut-the-dial-stands-at')} open={open} onClose={onClose}>
      <StandsForm
        plan={plan}
        of="stands_at"
        act={text('cut-it-stands-there')}
        onRead={reading => {
          record({ kind: 'stands_at', reading });
          onClose();
        }}
      />
    </Leaf>
  );
}
