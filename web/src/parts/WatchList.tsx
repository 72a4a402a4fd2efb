import type { Watch } from '../api/client';

const MARKS = { danger: '▲', warn: '◆', note: '●' } as const;
const SAID = { danger: 'Danger', warn: 'Warning', note: 'Note' } as const;

/** Judgements and cautions of one station, in order of weight: those that weigh, or the notes. */
export function WatchList({ watch, station, notes }: { watch: Watch[]; station: string; notes: boolean }) {
  const mine = watch.filter(w => w.station === station && (w.level === 'note') === notes);
  if (mine.length === 0) return null;
  return (
    <section className="watch" aria-label={notes ? 'Notes' : 'Watch'}>
      <ul>
        {mine.map(w => (
          <li key={w.code + w.text} className={w.level} data-code={w.code}>
            <span aria-hidden="true">{MARKS[w.level]}</span>
            <p>
              <b>{SAID[w.level]}.</b> {w.text}
            </p>
          </li>
        ))}
      </ul>
      {mine.some(w => w.code === 'guards' || w.code === 'first_pass') && (
        <p className="closing">
          Follow the machine maker’s instructions, your shop’s rules and local safety law, and learn under someone
          qualified.
        </p>
      )}
    </section>
  );
}
