import { inWords } from '../../api/client';
import { useChange } from '../../api/hooks';
import { spoken, text } from '../../app/voice';
import { Leaf } from '../../parts/Leaf';
import type { StationProps } from '../JobPage';

type Trial = 'magnet' | 'file' | 'spark' | 'swarf';

const TRIALS = spoken<{ trial: Trial; says: string; signs: { value: string; says: string }[] }[]>(() => [
  {
    trial: 'magnet',
    says: text('blank-magnet'),
    signs: [
      { value: 'strong', says: text('blank-magnet-strong') },
      { value: 'weak', says: text('blank-magnet-weak') },
      { value: 'none', says: text('blank-magnet-none') },
    ],
  },
  {
    trial: 'file',
    says: text('blank-file'),
    signs: [
      { value: 'clogs', says: text('blank-file-clogs') },
      { value: 'bites', says: text('blank-file-bites') },
      { value: 'hard', says: text('blank-file-hard') },
    ],
  },
  {
    trial: 'spark',
    says: text('blank-spark'),
    signs: [
      { value: 'none', says: text('blank-spark-none') },
      { value: 'few', says: text('blank-spark-few') },
      { value: 'long', says: text('blank-spark-long') },
      { value: 'bursts', says: text('blank-spark-bursts') },
      { value: 'white', says: text('blank-spark-white') },
    ],
  },
  {
    trial: 'swarf',
    says: text('blank-swarf'),
    signs: [
      { value: 'strings', says: text('blank-swarf-strings') },
      { value: 'chips', says: text('blank-swarf-chips') },
      { value: 'crumbs', says: text('blank-swarf-crumbs') },
    ],
  },
]);

/** A metal nobody knows: what magnet, file, spark and swarf show, and what that leaves. */
export function TriedLeaf({ job, plan, open, onClose }: StationProps & { open: boolean; onClose: () => void }) {
  const change = useChange(job);
  const tried = plan.blank.tried;
  const tell = (trial: Trial, sign: string | null) =>
    change.mutate({ request: { blank: { tried: { [trial]: sign } } } as never });
  return (
    <Leaf title={text('blank-what-metal')} open={open && tried != null} onClose={onClose} wide>
      {tried && (
        <>
          <p aria-live="polite">
            {tried.says} {tried.next}
          </p>
          {TRIALS().map(({ trial, says, signs }) => (
            <div key={trial} role="group" aria-label={says} className="part-field spaced">
              <span>{says}</span>
              <div className="row">
                {signs.map(sign => (
                  <button
                    key={sign.value}
                    type="button"
                    className="choice"
                    aria-pressed={tried.tried[trial] === sign.value}
                    disabled={job.frozen}
                    onClick={() => tell(trial, sign.value)}
                  >
                    {sign.says}
                  </button>
                ))}
                <button
                  type="button"
                  className="choice"
                  aria-pressed={tried.tried[trial] == null}
                  disabled={job.frozen}
                  onClick={() => tell(trial, null)}
                >
                  {text('blank-not-tried')}
                </button>
              </div>
            </div>
          ))}
          <p className="how">{tried.ruled.join(' ')}</p>
          {change.isError && (
            <p className="fault" role="alert">
              {inWords(change.error)}
            </p>
          )}
        </>
      )}
    </Leaf>
  );
}
