import { inWords, type RunState } from '../../api/client';
import { useKit } from '../../api/hooks';
import { useKeepKit } from '../../shop/hooks';
import { happened } from '../../shop/ToolForm';
import { text } from '../../app/voice';

/** What the readings found of the tip, and keeping it with the bit of the drawer it belongs to. */
export function KeepTip({ tip, owned }: { tip: NonNullable<RunState['tip']>; owned: string | null | undefined }) {
  const kit = useKit().data;
  const keep = useKeepKit();
  const bit = kit?.bits?.find(b => b.name === owned);
  return (
    <div className="plain-line">
      <p>{tip.says}</p>
      {kit && bit && (
        <button
          type="button"
          className="act plain"
          disabled={keep.isPending || keep.isSuccess}
          onClick={() => {
            const history = happened(bit.history, text('bit-tip-found-by-readings', { readings: tip.readings }));
            keep.mutate({
              ...kit,
              bits: (kit.bits ?? []).map(b =>
                b === bit
                  ? { ...bit, tip_flat_mm: tip.flat_mm, tip_radius_mm: null, tip_flat_between_mm: null, history }
                  : b,
              ),
            });
          }}
        >
          {keep.isSuccess ? text('bit-kept-with', { bit: bit.name }) : text('bit-keep-it-with', { bit: bit.name })}
        </button>
      )}
      {keep.isError && (
        <p className="fault" role="alert">
          {inWords(keep.error)}
        </p>
      )}
    </div>
  );
}
