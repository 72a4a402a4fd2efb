import { inWords, type TrainRow } from '../../api/client';
import { useLatheChange, useLatheView } from '../../shop/hooks';
import { text } from '../../app/voice';

/** Trains are one where their gears stand in the same order. */
const same = (a: { drivers?: number[] | null; driven?: number[] | null }, b: TrainRow) =>
  JSON.stringify([a.drivers, a.driven]) === JSON.stringify([b.drivers, b.driven]);

/**
 * Says that the train is on the lathe now, so that the next job counts its changes from it; or, on an arm nobody measured, that it was
 * tried and does not mesh.
 */
export function OnItNow({ lathe, train }: { lathe: string; train: TrainRow }) {
  const view = useLatheView(lathe);
  const { change } = useLatheChange(view.data);
  if (!view.data) return null;
  return (
    <div className="row">
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
      {train.fit_basis && train.fits !== false && train.drivers.length > 0 && (
        <button
          type="button"
          className="act plain"
          disabled={change.isPending}
          onClick={() => {
            const others = (view.data.profile.seen ?? []).filter(s => !same(s, train));
            const tried = { drivers: train.drivers, driven: train.driven, hangs: false };
            change.mutate({ says: text('gears-told-not-to-mesh'), patch: { seen: [...others, tried] } });
          }}
        >
          {text('gears-does-not-mesh')}
        </button>
      )}
      {change.isError && (
        <p className="fault" role="alert">
          {inWords(change.error)}
        </p>
      )}
    </div>
  );
}
