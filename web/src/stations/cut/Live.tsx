import { useState } from 'react';
import { type ActKind, inWords, type LiveView, type PointAt } from '../../api/client';
import { text } from '../../app/voice';

type Tell = (body: { marks?: boolean; point?: PointAt; still?: boolean }) => Promise<void>;

/** What the instruments see beside the run: how far to the setting, the last passage, and what they still have to be told. */
export function Live({
  live,
  readout,
  unread,
  tell,
  record,
}: {
  live: LiveView | null;
  /** Whether there is a readout: a micrometer alone shows what it sent and no more. */
  readout: boolean;
  /** What is kept of the instruments and does not read. */
  unread: string | null;
  tell: Tell;
  record: (act: ActKind) => void;
}) {
  const [letBe, setLetBe] = useState(0);
  const [fault, setFault] = useState<string | null>(null);
  const told = (body: Parameters<Tell>[0]) => {
    setFault(null);
    tell(body).catch((e: unknown) => setFault(inWords(e)));
  };
  const came = live?.came && live.came.n !== letBe ? live.came : null;
  const offers = came?.offers;
  const sent = live?.sent;
  const key = (says: string, act: () => void) => (
    <button
      key={says}
      type="button"
      className="live-key"
      onClick={e => {
        // The keys are the lathe's again.
        e.currentTarget.blur();
        act();
      }}
    >
      {says}
    </button>
  );
  const points: [boolean | undefined, PointAt, string][] = [
    [live?.wants_crest || live?.doubted, 'crest', text('live-crest')],
    [live?.wants_mark, 'mark', text('live-mark')],
    [live?.wants_mark, 'face', text('live-face')],
  ];
  const wrong = unread ?? fault;
  const notes = [
    wrong,
    live ? live.says : readout ? text('live-no-readout') : null,
    came?.says,
    sent && text('live-sent', { text: sent.text }),
  ].filter(Boolean);
  return (
    <section
      className={`live${live?.to_go?.past ? ' past' : ''}`}
      aria-label={text(readout ? 'instruments-readout' : 'instruments-micrometer')}
      data-link={live?.readout}
    >
      {readout && <b className="live-to-go">{live?.to_go?.says ?? '—'}</b>}
      <div className="live-says">
        <div aria-live="polite" data-came={live?.came?.n}>
          {notes.map(says => (
            <p key={says} className={says === wrong ? 'fault' : undefined}>
              {says}
            </p>
          ))}
        </div>
        {live?.along && <p className="live-along">{live.along}</p>}
      </div>
      <div className="live-keys">
        {points.map(([wanted, point, says]) => wanted && key(says, () => told({ point })))}
        {live?.doubted && key(text('live-still'), () => told({ still: true }))}
        {offers && (
          <>
            {key(text('live-mark-it'), () => {
              record(offers);
              setLetBe(came.n);
            })}
            {key(text('live-let-be'), () => setLetBe(came.n))}
          </>
        )}
        {readout && live && !live.wants_crest && !live.wants_mark && !live.doubted && !offers && (
          <label className="switch">
            <input
              type="checkbox"
              checked={live.marks}
              onChange={e => {
                e.currentTarget.blur();
                told({ marks: e.currentTarget.checked });
              }}
            />
            {text('live-marks')}
          </label>
        )}
      </div>
    </section>
  );
}
