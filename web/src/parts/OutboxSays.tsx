import type { ActKind } from '../api/client';
import type { Outbox } from '../api/outbox';

/** What an act was, in a few words. */
function named(act: ActKind): string {
  switch (act.kind) {
    case 'pass_done':
      return act.n === 0 ? 'The scratch pass' : `Pass ${act.n}`;
    case 'took':
      return `Pass ${act.n}, cut at ${act.reading}`;
    case 'measured':
      return 'The reading';
    case 'tried':
      return 'The trial of the mate';
    case 'stands_at':
      return `The dial at ${act.reading}`;
    case 'groove_touched':
      return `The groove touched at ${act.reading}`;
    case 'undone':
      return 'The undoing';
    case 'note':
      return `The note “${act.text.slice(0, 60)}”`;
    case 'ticked':
    case 'unticked':
      return 'The tick';
    case 'sized':
      return `The size of ${act.name}`;
    default:
      return 'What was told';
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
          Not saved yet: {cutOff} {kept}
        </p>
      )}
      {refused.map(one => (
        <div key={one.id} className={`refused ${look}`} role="alert">
          <p>
            {named(one.act)} was not taken: {one.refused?.says}
          </p>
          <div className="row">
            <button type="button" className="act" onClick={() => again(one.id)}>
              Tell it again, as it now stands
            </button>
            <button type="button" className="act plain" onClick={() => leaveOut(one.id)}>
              Leave it out
            </button>
          </div>
        </div>
      ))}
    </>
  );
}
