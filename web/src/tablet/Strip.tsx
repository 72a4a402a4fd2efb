import { useSyncExternalStore } from 'react';
import { waitingUnseen } from '../api/outbox';
import { asFile } from '../api/queue';
import { text } from '../app/voice';
import { look, now } from './away';

const clock = (at: string) => {
  const then = new Date(at);
  const today = then.toDateString() === new Date().toDateString();
  return then.toLocaleString([], today ? { timeStyle: 'short' } : { dateStyle: 'medium', timeStyle: 'short' });
};

/** Over every page while the server does not answer: of when is what is shown, and what waits to be told. */
export function Strip() {
  const away = useSyncExternalStore(look, now);
  if (!away) return null;
  const waits = waitingUnseen();
  return (
    <p className="unanswered" role="status">
      {away.shown ? text('frame-away-shown', { at: clock(away.shown) }) : text('frame-away')}{' '}
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
