import { Word } from '../../app/Word';
import { Outline } from '../../drawing/Outline';
import { Leaf } from '../../parts/Leaf';
import type { StationProps } from '../JobPage';
import { useSetupSheet } from '../../api/sheets';
import { say } from '../../app/voice';

/** The whole chain from spindle to bit: one picture, one sentence, and the ways it may be changed about. */
export function MotionLeaf({ job, plan, open, onClose }: StationProps & { open: boolean; onClose: () => void }) {
  const { setup, thread } = plan;
  const asked = job.request.setup;
  const way = asked?.way ?? 'auto';
  const sheet = useSetupSheet(job, open);
  const toward = setup.carriage === 'toward_headstock';
  return (
    <Leaf title="Which way everything moves" open={open} onClose={onClose} wide>
      <div className="motion">{sheet.data && <Outline drawing={sheet.data.motion} />}</div>
      <p className={setup.motion.hand && setup.motion.hand !== thread.hand ? 'fault' : 'motion-says'}>
        {setup.motion.says}
      </p>
      <p className="sentence own">
        The carriage runs{' '}
        <Word
          job={job}
          about="Which way the carriage runs"
          set={way !== 'auto'}
          edit={{
            kind: 'choice',
            choices: [
              {
                says: 'as suits the hand, spindle forward',
                chosen: way === 'auto',
                patch: { setup: { way: 'auto' } },
              },
              { says: 'toward the headstock', chosen: way === 'toward', patch: { setup: { way: 'toward' } } },
              {
                says: 'away from the headstock',
                under: 'Nothing to crash into at a shoulder; it starts in the relief.',
                chosen: way === 'away',
                patch: { setup: { way: 'away' } },
              },
            ],
          }}
        >
          {toward ? 'toward the headstock' : 'away from the headstock'}
        </Word>
        {setup.wall && (
          <>
            {' '}
            and the tool cuts{' '}
            <Word
              job={job}
              about="Which wall of the bore"
              set={asked?.wall != null}
              edit={{
                kind: 'choice',
                choices: (['near', 'far'] as const).map(wall => ({
                  says: `the ${wall} wall`,
                  chosen: setup.wall === wall,
                  patch: { setup: { wall } },
                })),
              }}
            >
              {`the ${setup.wall} wall`}
            </Word>
          </>
        )}
        . {say('The handle end of the {compound}')} leans toward the{' '}
        {setup.handle_to_tailstock ? 'tailstock' : 'headstock'}.
      </p>
    </Leaf>
  );
}
