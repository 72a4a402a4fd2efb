import { Word } from '../../app/Word';
import { Outline } from '../../drawing/Outline';
import { Leaf } from '../../parts/Leaf';
import type { PointedProps } from '../JobPage';
import { useSetupSheet } from '../../api/sheets';
import { said, text } from '../../app/voice';

/** The whole chain from spindle to bit: one picture, one sentence, and the ways it may be changed about. */
export function MotionLeaf({ job, plan, open, onClose }: PointedProps & { open: boolean; onClose: () => void }) {
  const { setup, thread } = plan;
  const asked = job.request.setup;
  const way = asked?.way ?? 'auto';
  const sheet = useSetupSheet(job, open);
  const toward = setup.carriage === 'toward_headstock';
  return (
    <Leaf title={text('gears-which-way-everything-moves')} open={open} onClose={onClose} wide>
      <div className="motion">{sheet.data && <Outline drawing={sheet.data.motion} />}</div>
      <p className={setup.motion.hand && setup.motion.hand !== thread.hand ? 'fault' : 'motion-says'}>
        {setup.motion.says}
      </p>
      <p className="sentence own">
        {said('gears-carriage-runs-handle', {
          toward: (
            <Word
              job={job}
              about={text('gears-way-carriage-runs')}
              set={way !== 'auto'}
              edit={{
                kind: 'choice',
                choices: [
                  {
                    says: text('gears-suits-hand-spindle'),
                    chosen: way === 'auto',
                    patch: { setup: { way: 'auto' } },
                  },
                  {
                    says: text('gears-toward-the-headstock'),
                    chosen: way === 'toward',
                    patch: { setup: { way: 'toward' } },
                  },
                  {
                    says: text('gears-away-from-the-headstock'),
                    under: text('gears-nothing-crash-into'),
                    chosen: way === 'away',
                    patch: { setup: { way: 'away' } },
                  },
                ],
              }}
            >
              {toward ? text('gears-toward-the-headstock') : text('gears-away-from-the-headstock')}
            </Word>
          ),
          wall:
            setup.wall &&
            said('gears-and-the-tool-cuts', {
              wall: (
                <Word
                  job={job}
                  about={text('gears-wall-bore')}
                  set={asked?.wall != null}
                  edit={{
                    kind: 'choice',
                    choices: (['near', 'far'] as const).map(wall => ({
                      says: text('gears-the-wall', { wall }),
                      chosen: setup.wall === wall,
                      patch: { setup: { wall } },
                    })),
                  }}
                >
                  {text('gears-the-wall', { wall: setup.wall })}
                </Word>
              ),
            }),
          end: setup.handle_to_tailstock ? text('gears-tailstock') : text('gears-headstock'),
        })}
      </p>
    </Leaf>
  );
}
