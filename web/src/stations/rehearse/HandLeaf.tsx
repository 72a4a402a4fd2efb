import { type HandView, inWords } from '../../api/client';
import type { Patch } from '../../api/hooks';
import { text } from '../../app/voice';
import { Leaf } from '../../parts/Leaf';

interface HandLeafProps {
  hands: HandView[];
  open: boolean;
  onClose: () => void;
  /** Takes over what was found; nothing where the facts stand since the first pass. */
  change: ((request: Patch) => void) | null;
  error: unknown;
}

/** What is known of the hand, by the way of stopping. */
export function HandLeaf({ hands, open, onClose, change, error }: HandLeafProps) {
  return (
    <Leaf title={text('rehearse-your-hand')} open={open} onClose={onClose} wide>
      <div className="notes">
        {hands.length === 0 && <p>{text('rehearse-no-tries')}</p>}
        {hands.map(hand => (
          <section key={hand.sample} data-sample={hand.sample}>
            {hand.says.map(s => (
              <p key={s}>{s}</p>
            ))}
            {hand.change != null && change && (
              <button type="button" className="act" onClick={() => change(hand.change as Patch)}>
                {text('rehearse-reckon-with-it')}
              </button>
            )}
          </section>
        ))}
        {error != null && (
          <p className="fault" role="alert">
            {inWords(error)}
          </p>
        )}
      </div>
    </Leaf>
  );
}
