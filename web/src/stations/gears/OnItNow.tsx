import { inWords, type TrainRow } from '../../api/client';
import { useLatheChange, useLatheView } from '../../shop/hooks';
import { text } from '../../app/voice';

/** Says that the train is on the lathe now, so that the next job counts its changes from it. */
export function OnItNow({ lathe, train }: { lathe: string; train: TrainRow }) {
  const view = useLatheView(lathe);
  const { change } = useLatheChange(view.data);
  if (!view.data) return null;
  return (
    <div>
      <button
        type="button"
        className="act plain"
        disabled={change.isPending}
        onClick={() =>
          change.mutate({
            says: text('page-on-it-now'),
            patch: { mounted: { drivers: train.drivers, driven: train.driven } },
          })
        }
      >
        {text('gears-lathe-now')}
      </button>
      {change.isError && (
        <p className="fault" role="alert">
          {inWords(change.error)}
        </p>
      )}
    </div>
  );
}
