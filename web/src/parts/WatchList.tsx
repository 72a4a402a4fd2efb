import type { Watch } from '../api/client';
import { spoken, text } from '../app/voice';

const MARKS = { danger: '▲', warn: '◆', note: '●' } as const;
const SAID = spoken(
  () => ({ danger: text('parts-danger'), warn: text('parts-warning'), note: text('page-note') }) as const,
);

function Line({ of: w }: { of: Watch }) {
  return (
    <li className={w.level} data-code={w.code}>
      <span aria-hidden="true">{MARKS[w.level]}</span>
      <p>
        <b>{SAID()[w.level]}.</b> {w.text}
      </p>
    </li>
  );
}

/** What every place that tells of hazards ends with. */
export const Closing = () => <p className="closing">{text('parts-follow-machine-makers')}</p>;

/** The cautions of a set-up, and what they end with. */
export const Cautions = ({ cautions }: { cautions: string[] }) => (
  <section className="watch" aria-label={text('setup-cautions-set-up')}>
    <ul>
      {cautions.map(c => (
        <li key={c} className="note">
          <span aria-hidden="true">{MARKS.note}</span>
          <p>{c}</p>
        </li>
      ))}
    </ul>
    <Closing />
  </section>
);

/** The weightiest judgement of a station, and a word to the rest. */
export function Weightiest({ watch, onMore }: { watch: Watch[]; onMore: () => void }) {
  const [first, ...rest] = watch;
  if (!first) return null;
  return (
    <section className="watch weightiest" aria-label={text('page-watch')}>
      <ul>
        <Line of={first} />
      </ul>
      {rest.length > 0 && (
        <button type="button" className="word" onClick={onMore}>
          {text('parts-more-to-watch', { rest: rest.length })}
        </button>
      )}
    </section>
  );
}

/** Judgements and cautions, in order of weight. */
export function WatchList({ watch, about }: { watch: Watch[]; about: string }) {
  if (watch.length === 0) return null;
  return (
    <section className="watch" aria-label={about}>
      <ul>
        {watch.map(w => (
          <Line key={w.code + w.text} of={w} />
        ))}
      </ul>
      {watch.some(w => w.code === 'guards' || w.code === 'first_pass') && <Closing />}
    </section>
  );
}
