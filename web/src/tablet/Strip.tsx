import { useSyncExternalStore } from 'react';
import { waitingUnseen } from '../api/outbox';
import { asFile } from '../api/queue';
import { text } from '../app/voice';
import { when } from '../parts/text';
import { away } from './away';

/** Over every page while the server does not answer: of when is what is shown, and what waits to be told. */
export function Strip() {
  const gone = useSyncExternalStore(away.look, away.now);
  if (!gone) return null;
  const waits = waitingUnseen();
  return (
    <p className="unanswered" role="status">
      {gone.shown ? text('frame-away-shown', { at: when(gone.shown) }) : text('frame-away')}{' '}
      {waits > 0 && (
        <>
          {text('frame-away-waits', { n: waits })}{' '}
          <a
            href={`data:application/json,${encodeURIComponent(asFile(localStorage))}`}
            download="yoke-turn-waiting.json"
          >
            {text('frame-as-a-file')}
          </a>
        </>
      )}
    </p>
  );
}
