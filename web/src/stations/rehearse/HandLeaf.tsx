import { useId, useState } from 'react';
import { type Drill, type HandView, inWords } from '../../api/client';
import type { Patch } from '../../api/hooks';
import { text } from '../../app/voice';
import { Leaf } from '../../parts/Leaf';
import { LengthForm } from '../../parts/LengthForm';
import { Radios } from '../../parts/Radios';
import type { useTold } from './useTry';

interface HandLeafProps {
  hands: HandView[];
  open: boolean;
  onClose: () => void;
  /** Takes over what was found; nothing where the facts stand since the first pass. */
  change: ((request: Patch) => void) | null;
  error: unknown;
  /** The speed of the plan. */
  rpm: number | null;
  /** Stops that may be told as made at the lathe. */
  drills: { drill: Drill }[];
  tell: ReturnType<typeof useTold>['atLathe'];
}

/** What is known of the hand, by the way of stopping. */
export function HandLeaf({ hands, open, onClose, change, error, rpm, drills, tell }: HandLeafProps) {
  return (
    <Leaf title={text('rehearse-your-hand')} open={open} onClose={onClose} wide>
      <div className="notes">
        {hands.length === 0 && <p>{text('rehearse-no-tries')}</p>}
        {hands.map(hand => (
          <section key={hand.sample} data-sample={hand.sample}>
            {hand.says.map(s => (
              <p key={s}>{s}</p>
            ))}
            {hand.change != null && change && (
              <button type="button" className="act" onClick={() => change(hand.change as Patch)}>
                {text('rehearse-reckon-with-it')}
              </button>
            )}
          </section>
        ))}
        {error != null && (
          <p className="fault" role="alert">
            {inWords(error)}
          </p>
        )}
        {drills.length > 0 && <LatheStops rpm={rpm} drills={drills} tell={tell} />}
      </div>
    </Leaf>
  );
}

/** A stop made at the lathe itself, on air: it alone makes the time shorter. */
function LatheStops({ rpm, drills, tell }: Pick<HandLeafProps, 'rpm' | 'drills' | 'tell'>) {
  const id = useId();
  // Each stop is a form of its own.
  const [stops, setStops] = useState(0);
  const [drill, setDrill] = useState<Drill | undefined>(drills[0]?.drill);
  const [speed, setSpeed] = useState(rpm == null ? '' : String(Math.round(rpm)));
  return (
    <section className="at-lathe" aria-labelledby={`${id}-head`}>
      <h3 id={`${id}-head`}>{text('rehearse-at-lathe-tell')}</h3>
      <p className="how">{text('rehearse-at-lathe-how')}</p>
      {drills.length > 1 && (
        <Radios
          about={text('rehearse-at-lathe-tell')}
          choices={drills.map(d => ({
            is: d.drill,
            says: text(d.drill === 'stop_open' ? 'rehearse-at-lathe-open' : 'rehearse-at-lathe-spindle'),
          }))}
          chosen={is => is === drill}
          onChoose={setDrill}
        />
      )}
      <LengthForm
        key={stops}
        fields={[{ name: 'past', says: text('rehearse-at-lathe-past'), signed: true }]}
        act={text('rehearse-at-lathe-add')}
        disabled={tell.isPending || !drill}
        onSet={({ past }, told) => {
          if (drill && past != null)
            tell.mutate(
              { drill, past_mm: past, rpm: Number(speed.replace(',', '.')) || 0 },
              {
                onSuccess: () => {
                  told();
                  setStops(stops + 1);
                },
              },
            );
        }}
      >
        <label className="beside">
          {text('rehearse-at-lathe-rpm')}
          <input
            name="rpm"
            inputMode="decimal"
            autoComplete="off"
            value={speed}
            onChange={e => setSpeed(e.currentTarget.value)}
          />
        </label>
      </LengthForm>
      {tell.isError && (
        <p className="fault" role="alert">
          {inWords(tell.error)}
        </p>
      )}
    </section>
  );
}
