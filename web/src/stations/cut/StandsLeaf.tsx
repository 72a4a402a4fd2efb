import { useId, useState } from 'react';
import type { ActKind, Plan } from '../../api/client';
import { Leaf } from '../../parts/Leaf';
import { NumberPad } from '../../parts/NumberPad';

/** Tells where the dial stands, in that dial's own unit: one act puts everything back in step. */
export function StandsLeaf({ plan, open, onClose, record }: { plan: Plan; open: boolean; onClose: () => void; record: (act: ActKind) => void }) {
  const id = useId();
  const [text, setText] = useState('');
  const [fault, setFault] = useState<string | null>(null);
  const { unit, slide } = plan.cut.dial;
  const close = () => {
    setText('');
    setFault(null);
    onClose();
  };
  const enter = () => {
    const reading = Number(text.replace(',', '.'));
    if (text.trim() === '' || Number.isNaN(reading) || reading < 0) {
      setFault(`“${text}” is not a reading; write what the dial shows, in ${unit}, as in ${unit === 'in' ? '0.046' : '1.25'}`);
      return;
    }
    record({ kind: 'stands_at', reading });
    close();
  };
  return (
    <Leaf title="The dial stands at" open={open} onClose={close}>
      <form
        className="editor"
        onSubmit={(e) => {
          e.preventDefault();
          enter();
        }}
      >
        <label htmlFor={id}>
          Whole reading of the {slide === 'compound' ? 'compound' : 'cross-slide'} from zero, turns included, in {unit}
        </label>
        <input id={id} data-autofocus inputMode="decimal" autoComplete="off" value={text} onChange={(e) => setText(e.currentTarget.value)} aria-invalid={fault !== null} aria-describedby={fault ? `${id}-fault` : undefined} />
        {fault && <p className="fault" role="alert" id={`${id}-fault`}>{fault}</p>}
        <NumberPad value={text} onChange={setText} />
        <button type="submit" className="act">
          It stands there
        </button>
      </form>
    </Leaf>
  );
}
