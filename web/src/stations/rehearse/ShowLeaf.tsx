import { useEffect, useState } from 'react';
import { type Drill, inWords, type Job } from '../../api/client';
import { text } from '../../app/voice';
import { Outline } from '../../drawing/Outline';
import { Leaf } from '../../parts/Leaf';
import { placed } from './motion';
import { Stage, Watched } from './Stage';
import { Result } from './Result';
import { useShown } from './useTry';

/** So long after its last key it has been seen, s. */
const SEEN_S = 0.5;
/** So many times slower than it is. */
const SLOWER = 4;

interface ShowLeafProps {
  job: Job;
  drill: { drill: Drill; name: string } | undefined;
  /** Which is shown first. */
  first: string;
  /** One was watched to its end. */
  onWatched: (seen: { drill: Drill; play: string }) => void;
  open: boolean;
  onClose: () => void;
}

/** A drill shown slow: as it should be, and each mistake, with what comes of it. */
export function ShowLeaf({ job, drill, first, onWatched, open, onClose }: ShowLeafProps) {
  return (
    <Leaf title={text('rehearse-shown-slow', { what: drill?.name ?? '' })} open={open} onClose={onClose} wide>
      {drill && <Plays job={job} drill={drill.drill} first={first} onWatched={onWatched} />}
    </Leaf>
  );
}

function Plays({
  job,
  drill,
  first,
  onWatched,
}: { job: Job; drill: Drill } & Pick<ShowLeafProps, 'first' | 'onWatched'>) {
  const shown = useShown(job, drill);
  const [chosen, setAt] = useState<number | null>(null);
  const at = chosen ?? Math.max(0, shown.data?.plays.findIndex(p => p.code === first) ?? 0);
  const [zero, setZero] = useState(() => performance.now() + 600);
  const play = shown.data?.plays[at];
  const begin = Math.max(0, (play?.keys[0]?.at_s ?? 3) - 2.5);
  const where = (now: number) =>
    play ? placed(play.tried.stretches, begin + Math.max(0, now - zero) / 1000 / SLOWER) : null;
  // Watched to its last key, and a moment more.
  const code = play?.code;
  const ends = zero + ((play?.keys.at(-1)?.at_s ?? begin + 2) - begin + SEEN_S) * SLOWER * 1000;
  useEffect(() => {
    if (code == null) return;
    const timer = setTimeout(() => onWatched({ drill, play: code }), ends - performance.now());
    return () => clearTimeout(timer);
  }, [drill, code, ends, onWatched]);
  return (
    <>
      {shown.isError && <p className="fault">{inWords(shown.error)}</p>}
      <div className="row plays" role="group">
        {shown.data?.plays.map((p, i) => (
          <button
            key={p.code}
            type="button"
            className="act plain"
            aria-pressed={i === at}
            onClick={() => {
              setAt(i);
              setZero(performance.now() + 300);
            }}
          >
            {p.name}
          </button>
        ))}
      </div>
      {shown.data && play && (
        <div className="shown">
          <Stage motion={shown.data.motion} where={where} running />
          <Watched key={play.code} motion={shown.data.motion} where={where} running />
          <Outline drawing={play.tried.groove} />
          <Result tried={play.tried} />
        </div>
      )}
    </>
  );
}
