import { useId, useState } from 'react';
import type { ActKind } from '../../api/client';
import { readLength } from '../../api/length';
import { useDraft } from '../../parts/draft';
import { NumberPad } from '../../parts/NumberPad';
import { spoken, text } from '../../app/voice';

type Tried = Extract<ActKind, { kind: 'tried' }>;

const FITS = spoken<[Tried['fit'], string][]>(() => [
  ['wont_enter', text('gauge-will-not-enter')],
  ['enters', text('gauge-enters-some-turns')],
  ['tight', text('gauge-goes-whole-way')],
  ['free', text('gauge-runs-free')],
  ['shakes', text('gauge-shakes')],
]);

/** How the mate went: a fit by feel is a measurement. */
export function FitForm({ unit, onTold }: { unit: 'mm' | 'in'; onTold: (act: Tried) => void }) {
  const id = useId();
  const [fit, setFit] = useState<Tried['fit'] | null>(null);
  const [written, setText, clear] = useDraft(`fit:${fit}`, '');
  const [fault, setFault] = useState<string | null>(null);
  const pick = (picked: Tried['fit']) => {
    setFault(null);
    if (picked === 'enters' || picked === 'shakes') setFit(picked);
    else onTold({ kind: 'tried', fit: picked });
  };
  const enter = async () => {
    if (fit === 'enters') {
      const turns = Number(written.replace(',', '.'));
      if (written.trim() === '' || !(turns >= 0 && turns <= 200))
        return setFault(text('gauge-number-turns-write', { text: written }));
      clear();
      return onTold({ kind: 'tried', fit, turns });
    }
    const read = await readLength(written, unit);
    if (read.fault !== undefined) return setFault(read.fault);
    clear();
    if (fit) onTold({ kind: 'tried', fit, shake_mm: read.mm });
  };
  return (
    <div className="mate-fits">
      {fit === null ? (
        FITS().map(([f, says]) => (
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
          <label htmlFor={id}>
            {fit === 'enters' ? text('gauge-turns-it-enters') : text('gauge-how-much-shakes', { unit })}
          </label>
          <input
            id={id}
            data-autofocus
            autoFocus
            inputMode="decimal"
            autoComplete="off"
            value={written}
            onChange={e => setText(e.currentTarget.value)}
            aria-invalid={fault !== null}
            aria-describedby={fault ? `${id}-fault` : undefined}
          />
          {fault && (
            <p className="fault" role="alert" id={`${id}-fault`}>
              {fault}
            </p>
          )}
          <NumberPad value={written} onChange={setText} />
          <button type="submit" className="act">
            {text('gauge-so-it-went')}
          </button>
        </form>
      )}
    </div>
  );
}
