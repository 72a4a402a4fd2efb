import { type ReactNode, useState } from 'react';
import type { Plan } from '../api/client';
import { Folded } from '../app/Folded';
import type { StationId } from '../app/stations';
import { type Carried, Carry, present } from '../parts/Carry';
import { Leaf } from '../parts/Leaf';
import { Weightiest, WatchList } from '../parts/WatchList';
import { text } from '../app/voice';

/** Letters of what still stands under a figure; a sentence longer than that is a note. */
const A_FEW_WORDS = 64;

/** What weighs more comes first. */
const WEIGHT = { danger: 0, warn: 1, note: 2 } as const;

interface StationProps {
  id: StationId;
  plan: Plan;
  sentence?: ReactNode;
  drawing: ReactNode;
  numbers: (Carried | false | null | undefined)[];
  /** What stands beside the drawing under the numbers: a small drawing, a verdict. */
  beside?: ReactNode;
  /** What is done from here. */
  acts?: ReactNode;
  /** What is said of the numbers and seldom read: behind one word. */
  notes?: ReactNode[];
  /** Leaves of the station. */
  children?: ReactNode;
}

/**
 * The three parts every station has, in one look: the drawing, the numbers to carry, and what weighs most of what to watch. The
 * rest of what is said here is behind one word.
 */
export function Station({ id, plan, sentence, drawing, numbers, beside, acts, notes = [], children }: StationProps) {
  const [reading, setReading] = useState(false);
  const mine = plan.watch.filter(w => w.station === id);
  const weighs = mine.filter(w => w.level !== 'note').sort((a, b) => WEIGHT[a.level] - WEIGHT[b.level]);
  const carried = present(numbers).map(n =>
    typeof n.under === 'string' && n.under.length > A_FEW_WORDS ? { ...n, under: undefined, note: n.under } : n,
  );
  const noted = carried.filter(n => n.note);
  const told = notes.filter(Boolean);
  const read = () => setReading(true);
  const more = told.length + noted.length + mine.length - (weighs.length > 0 ? 1 : 0);
  const said = (
    <div className="notes">
      <WatchList watch={weighs} about={text('page-watch')} />
      {noted.length > 0 && (
        <dl className="noted">
          {noted.map(n => (
            <div key={n.says}>
              <dt>{n.says}</dt>
              <dd>{n.note}</dd>
            </div>
          ))}
        </dl>
      )}
      {told.map((note, i) => (
        <div key={i}>{note}</div>
      ))}
      <WatchList watch={mine.filter(w => w.level === 'note')} about={text('station-notes')} />
    </div>
  );
  return (
    <div className="station">
      <div className="drawn">
        {sentence && (
          <Folded
            about={text('station-what-is-chosen-here')}
            title={text('station-what-is-chosen-here')}
            lines={2}
            own
          >
            {sentence}
          </Folded>
        )}
        <div className="drawing">{drawing}</div>
      </div>
      <aside>
        {/* What weighs comes before the numbers it weighs on. */}
        <Weightiest watch={weighs} onMore={read} />
        <Carry numbers={carried} onNote={read} />
        {beside && <div className="beside">{beside}</div>}
        {(acts || more > 0) && (
          <div className="row actions">
            {acts}
            {more > 0 && (
              <button type="button" className="act plain notes-key" onClick={read}>
                {more === 1 ? text('station-1-note') : text('station-several-notes', { more })}
              </button>
            )}
          </div>
        )}
      </aside>
      {/* On paper nothing is behind a word. */}
      <div className="print-only">{said}</div>
      <Leaf title={text('station-what-is-said-here')} open={reading} onClose={() => setReading(false)} wide>
        {said}
      </Leaf>
      {children}
    </div>
  );
}
