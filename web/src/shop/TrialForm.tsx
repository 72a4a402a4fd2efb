import { useMutation } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { api, inWords, unwrap } from '../api/client';
import { readLength } from '../api/length';
import { useUnit } from '../parts/unit';
import type { PartProps } from './PartLeaf';
import { spoken, text } from '../app/voice';

const ASKED = spoken(
  () =>
    ({
      ratio: {
        how: text('shop-minutes-trial-half'),
        fields: [
          ['spindle_turns', text('shop-turns-of-the-spindle')],
          ['travel_mm', text('shop-how-far-carriage')],
        ],
      },
      dial: {
        how: text('shop-minutes-trial-half-nut'),
        fields: [
          ['screw_turns', text('shop-turns-of-the-leadscrew')],
          ['marks_passed', text('shop-marks-that-passed')],
          ['marks', text('shop-marks-on-the-dial')],
        ],
      },
    }) as const,
);

/** The one-minute trial that tells the fixed ratio, or the dial's teeth. */
export function TrialForm({ of, view, change, onClose }: PartProps & { of: keyof ReturnType<typeof ASKED> }) {
  const unit = useUnit();
  const id = useId();
  const [texts, setTexts] = useState<Record<string, string>>({});
  const [fault, setFault] = useState<string | null>(null);
  const asked = ASKED()[of];
  const trial = useMutation({
    mutationFn: async (body: Record<string, unknown>) =>
      unwrap(await api.POST('/api/v1/lathes/{id}/trial', { params: { path: { id: view.id } }, body: body as never })),
    onError: e => setFault(inWords(e)),
  });
  const mounted = view.profile.mounted;
  const told = trial.data;
  const go = async () => {
    setFault(null);
    const body: Record<string, unknown> =
      of === 'ratio' ? { train: { drivers: mounted?.drivers ?? [], driven: mounted?.driven ?? [] } } : {};
    for (const [name, says] of asked.fields) {
      const written = texts[name] ?? '';
      if (!written.trim()) continue;
      if (name === 'travel_mm') {
        const length = await readLength(written, unit);
        if (length.fault !== undefined) return setFault(`${says}: ${length.fault}`);
        body[name] = length.mm;
      } else {
        const value = Number(written.replace(',', '.'));
        if (Number.isNaN(value)) return setFault(text('shop-is-not-a-number', { says, text: written }));
        body[name] = value;
      }
    }
    trial.mutate(body);
  };
  return (
    <form
      className="part-form trial"
      onSubmit={e => {
        e.preventDefault();
        void go();
      }}
    >
      <p className="how">{asked.how}</p>
      {of === 'ratio' && !mounted?.drivers?.length && <p className="how">{text('shop-train-told-tell')}</p>}
      {asked.fields.map(([name, says]) => (
        <label key={name} className="part-field" htmlFor={`${id}-${name}`}>
          <span>{says}</span>
          <input
            id={`${id}-${name}`}
            inputMode="decimal"
            autoComplete="off"
            value={texts[name] ?? ''}
            onChange={e => setTexts({ ...texts, [name]: e.currentTarget.value })}
          />
        </label>
      ))}
      {fault && (
        <p className="fault" role="alert">
          {fault}
        </p>
      )}
      <div aria-live="polite">
        {told?.says.map(s => (
          <p key={s}>{s}</p>
        ))}
      </div>
      <div className="row">
        <button type="submit" className="act plain" disabled={trial.isPending}>
          {text('page-work-it-out')}
        </button>
        {(told?.fixed_ratio ?? told?.dial_teeth) && (
          <button
            type="button"
            className="act"
            onClick={() =>
              change.mutate(
                told?.fixed_ratio
                  ? {
                      says: text('shop-the-fixed-ratio'),
                      patch: { fixed_ratio: told.fixed_ratio, sources: { fixed_ratio: 'trial' } },
                    }
                  : {
                      says: text('page-the-dial'),
                      patch: {
                        dial: { teeth: told?.dial_teeth, marks: Number(texts['marks']) },
                        sources: { 'dial.teeth': 'trial' },
                      },
                    },
                { onSuccess: onClose, onError: e => setFault(inWords(e)) },
              )
            }
          >
            {text('page-take-it')}
          </button>
        )}
      </div>
    </form>
  );
}
