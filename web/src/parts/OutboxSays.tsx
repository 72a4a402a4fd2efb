import type { ActKind } from '../api/client';
import type { Outbox } from '../api/outbox';
import { text } from '../app/voice';

/** What an act was, in a few words. */
function named(act: ActKind): string {
  switch (act.kind) {
    case 'pass_done':
      return act.n === 0 ? text('parts-the-scratch-pass') : text('pass-cut', { n: act.n });
    case 'took':
      return text('parts-pass-cut-at', { n: act.n, reading: act.reading });
    case 'measured':
      return text('parts-the-reading');
    case 'tried':
      return text('parts-trial-mate');
    case 'stands_at':
      return text('parts-the-dial-at', { reading: act.reading });
    case 'groove_touched':
      return text('parts-the-groove-touched-at', { reading: act.reading });
    case 'undone':
      return text('parts-the-undoing');
    case 'note':
      return text('parts-the-note', { note: act.text.slice(0, 60) });
    case 'ticked':
    case 'unticked':
      return text('parts-the-tick');
    case 'sized':
      return text('parts-the-size-of', { name: act.name });
    default:
      return text('parts-what-was-told');
  }
}

/** What is not saved yet, and what was refused with its two ways on. */
export function OutboxSays({ outbox, kept, strip }: { outbox: Outbox; kept: string; strip?: boolean }) {
  const { waiting, refused, cutOff, again, leaveOut } = outbox;
  const look = strip ? 'strip warn' : 'fault';
  return (
    <>
      {cutOff && waiting.length > 0 && (
        <p className={look} role="status">
          {text('parts-not-saved-yet', { cut_off: cutOff, kept })}
        </p>
      )}
      {refused.map(one => (
        <div key={one.id} className={`refused ${look}`} role="alert">
          <p>{text('parts-was-not-taken', { what: named(one.act), why: one.refused?.says })}</p>
          <div className="row">
            <button type="button" className="act" onClick={() => again(one.id)}>
              {text('parts-tell-again-now')}
            </button>
            <button type="button" className="act plain" onClick={() => leaveOut(one.id)}>
              {text('parts-leave-it-out')}
            </button>
          </div>
        </div>
      ))}
    </>
  );
}
