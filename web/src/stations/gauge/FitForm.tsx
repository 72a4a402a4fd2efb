import { useId, useState } from 'react';
import type { ActKind } from '../../api/client';
import { readLength } from '../../api/length';
import { useDraft } from '../../parts/draft';
import { NumberPad } from '../../parts/NumberPad';

type Tried = Extract<ActKind, { kind: 'tried' }>;

const FITS: [Tried['fit'], string][] = [
  ['wont_enter', 'Will not enter'],
  ['enters', 'Enters some turns and stops'],
  ['tight', 'Goes the whole way, tight'],
  ['free', 'Runs free'],
  ['shakes', 'Shakes'],
];

/** How the mate went: a fit by feel is a measurement. */
export function FitForm({ unit, onTold }: { unit: 'mm' | 'in'; onTold: (act: Tried) => void }) {
  const id = useId();
  const [fit, setFit] = useState<Tried['fit'] | null>(null);
  const [text, setText, clear] = useDraft(`fit:${fit}`, '');
  const [fault, setFault] = useState<string | null>(null);
  const pick = (picked: Tried['fit']) => {
    setFault(null);
    if (picked === 'enters' || picked === 'shakes') setFit(picked);
    else onTold({ kind: 'tried', fit: picked });
  };
  const enter = async () => {
    if (fit === 'enters') {
      const turns = Number(text.replace(',', '.'));
      if (text.trim() === '' || !(turns >= 0 && turns <= 200))
        return setFault(`“${text}” is not a number of turns; write how many it enters, as in 2.5`);
      clear();
      return onTold({ kind: 'tried', fit, turns });
    }
    const read = await readLength(text, unit);
    if (read.fault !== undefined) return setFault(read.fault);
    clear();
    if (fit) onTold({ kind: 'tried', fit, shake_mm: read.mm });
  };
  return (
    <div className="mate-fits">
      {fit === null ? (
        FITS.map(([f, says]) => (
          <button key={f} type="button" className="choice" onClick={() => pick(f)}>
            {says}
          </button>
        ))
      ) : (
        <form
          className="editor"
          onSubmit={e => {
            e.preventDefault();
            void enter();
          }}
        >
          <label htmlFor={id}>{fit === 'enters' ? 'Turns it enters' : `How much it shakes across, in ${unit}`}</label>
          <input
            id={id}
            data-autofocus
            autoFocus
            inputMode="decimal"
            autoComplete="off"
            value={text}
            onChange={e => setText(e.currentTarget.value)}
            aria-invalid={fault !== null}
            aria-describedby={fault ? `${id}-fault` : undefined}
          />
          {fault && (
            <p className="fault" role="alert" id={`${id}-fault`}>
              {fault}
            </p>
          )}
          <NumberPad value={text} onChange={setText} />
          <button type="submit" className="act">
            So it went
          </button>
        </form>
      )}
    </div>
  );
}
