import { useState } from 'react';
import type { ActKind } from '../../api/client';
import { readLength } from '../../api/length';
import { useDraft } from '../../parts/draft';
import { TypedFigure } from '../../parts/TypedFigure';
import { spoken, text } from '../../app/voice';

type Tried = Extract<ActKind, { kind: 'tried' }>;

const FITS = spoken<[Tried['fit'], string][]>(() => [
  ['wont_enter', text('gauge-will-not-enter')],
  ['enters', text('gauge-enters-some-turns')],
  ['tight', text('gauge-goes-whole-way')],
  ['free', text('gauge-runs-free')],
  ['shakes', text('gauge-shakes')],
  ['laid_on', text('gauge-laid-on')],
]);

/** What may meet before the threads do: then the trial says nothing of their size. */
const MET = spoken<[NonNullable<Tried['touched']>, string][]>(() => [
  ['nothing', text('gauge-met-nothing')],
  ['jaws', text('gauge-met-jaws')],
  ['shoulder', text('gauge-met-shoulder')],
  ['register', text('gauge-met-register')],
  ['end', text('gauge-met-end')],
]);

/** How the mate went: a fit by feel is a measurement. */
export function FitForm({ unit, onTold }: { unit: 'mm' | 'in'; onTold: (act: Tried) => void }) {
  const [fit, setFit] = useState<Tried['fit'] | null>(null);
  const [written, setText, clear] = useDraft(`fit:${fit}`, '');
  const [fault, setFault] = useState<string | null>(null);
  // A trial that stopped, told but for what met first.
  const [stopped, setStopped] = useState<Tried | null>(null);
  const pick = (picked: Tried['fit']) => {
    setFault(null);
    if (picked === 'enters' || picked === 'shakes' || picked === 'laid_on') setFit(picked);
    else if (picked === 'free') onTold({ kind: 'tried', fit: picked });
    else setStopped({ kind: 'tried', fit: picked });
  };
  const enter = async () => {
    if (fit === 'enters') {
      const turns = Number(written.replace(',', '.'));
      if (written.trim() === '' || !(turns >= 0 && turns <= 200))
        return setFault(text('gauge-number-turns-write', { text: written }));
      clear();
      return setStopped({ kind: 'tried', fit, turns });
    }
    const read = await readLength(written, unit);
    if (read.fault !== undefined) return setFault(read.fault);
    clear();
    if (fit === 'laid_on') setStopped({ kind: 'tried', fit, stands_off_mm: read.mm });
    else if (fit) onTold({ kind: 'tried', fit, shake_mm: read.mm });
  };
  if (stopped)
    return (
      <div className="mate-fits" role="group" aria-label={text('gauge-what-met-first')}>
        <p>{text('gauge-what-met-first')}</p>
        {MET().map(([touched, says], i) => (
          <button
            key={touched}
            type="button"
            className="choice"
            data-autofocus={i === 0 || undefined}
            onClick={() => onTold({ ...stopped, touched })}
          >
            {says}
          </button>
        ))}
      </div>
    );
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
          <TypedFigure
            label={
              fit === 'enters'
                ? text('gauge-turns-it-enters')
                : text(fit === 'laid_on' ? 'gauge-how-far-stands-off' : 'gauge-how-much-shakes', { unit })
            }
            written={written}
            onChange={setText}
            fault={fault}
            first
            now
          />
          <button type="submit" className="act">
            {text('gauge-so-it-went')}
          </button>
        </form>
      )}
    </div>
  );
}
