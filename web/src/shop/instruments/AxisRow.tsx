import { useState } from 'react';
import { type AxisName, inWords, type Instruments, type LineView } from '../../api/client';
import { Radios } from '../../parts/Radios';
import { spoken, text } from '../../app/voice';
import { wind } from './hooks';

type Told = NonNullable<Instruments['readout']>['axes'];
export type ToldAxis = NonNullable<Told>[number];
type AxisNow = LineView['axes'][number];

const HOW = spoken<Record<AxisName, string>>(() => ({
  cross_slide: text('instruments-wind-cross'),
  compound: text('instruments-wind-compound'),
  carriage: text('instruments-wind-carriage'),
}));
const PLACES = [0, 1, 2, 3, 4, 5].map(is => ({ is, says: String(is) }));

/** An axis of a readout: its figure in the line, and how it counts, learned by winding it. */
export function AxisRow({
  lathe,
  name,
  axis,
  now,
  inches,
  pointing,
  bare,
  onPointing,
  onTold,
}: {
  lathe: string;
  name: string;
  axis: ToldAxis | { axis: AxisName; pattern?: undefined; counts?: undefined };
  now: AxisNow | null | undefined;
  /** Whether the slides count inches. */
  inches: boolean;
  pointing: boolean;
  /** Whether its figure leaves its point out. */
  bare: boolean;
  onPointing: () => void;
  onTold: (axis: ToldAxis) => void;
}) {
  const [winding, setWinding] = useState(false);
  const [from, setFrom] = useState<number | null>(null);
  const [says, setSays] = useState<string | null>(null);
  const begin = () => {
    setWinding(true);
    setFrom(null);
    setSays(null);
  };
  const there = async () => {
    if (from == null || now?.value == null || !axis.pattern) return;
    try {
      const learned = await wind(lathe, axis.axis, {
        from,
        to: now.value,
        sent_inches: now.inches ?? null,
        inches,
      });
      if (learned.counts) {
        onTold({ ...axis, counts: learned.counts });
        setWinding(false);
      } else {
        setFrom(null);
        setSays(learned.says);
      }
    } catch (e) {
      setSays(inWords(e));
    }
  };
  return (
    <li className="axis" data-axis={axis.axis}>
      <button type="button" className={`act${pointing ? '' : ' plain'}`} aria-pressed={pointing} onClick={onPointing}>
        {name}
      </button>
      <b className="axis-figure">{now?.text || text('instruments-not-seen')}</b>
      <p className="how">{axis.pattern && (now?.counts ?? text('instruments-not-wound'))}</p>
      {axis.pattern && !winding && (
        <button type="button" className={`act${axis.counts ? ' plain' : ''}`} onClick={begin}>
          {text(axis.counts ? 'instruments-wind-again' : 'instruments-wind')}
        </button>
      )}
      {axis.pattern && bare && (
        <div className="axis-wide">
          <span>{text('instruments-leave-out')}</span>
          <Radios
            about={text('instruments-leave-out')}
            choices={PLACES}
            chosen={is => is === (axis.pattern.places ?? 0)}
            onChoose={places => onTold({ ...axis, pattern: { ...axis.pattern, places } })}
          />
        </div>
      )}
      {winding && (
        <div className="axis-wide">
          <p>{HOW()[axis.axis]}</p>
          {says && (
            <p className="fault" role="alert">
              {says}
            </p>
          )}
          <div className="row">
            <button
              type="button"
              className={`act${from == null ? '' : ' plain'}`}
              onClick={() => setFrom(now?.value ?? null)}
            >
              {text('instruments-from-here')}
            </button>
            <button
              type="button"
              className={`act${from == null ? ' plain' : ''}`}
              disabled={from == null}
              onClick={() => void there()}
            >
              {text(axis.axis === 'carriage' ? 'instruments-here-now' : 'instruments-one-turn')}
            </button>
            <button type="button" className="act plain" onClick={() => setWinding(false)}>
              {text('instruments-stop-editing')}
            </button>
          </div>
        </div>
      )}
    </li>
  );
}
