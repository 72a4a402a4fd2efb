import { useState } from 'react';
import { Word } from '../../app/Word';
import { said, text } from '../../app/voice';
import { figure } from '../../parts/Figure';
import { inField } from '../../parts/text';
import { useUnit } from '../../parts/unit';
import { Cautions } from '../../parts/WatchList';
import type { ChasedProps } from '../JobPage';
import { CheckList } from '../setup/CheckList';
import { MateWord, ProofWord } from '../setup/ProofWords';
import { Station } from '../Station';
import { MakersLeaf } from './MakersLeaf';
import { StagesList } from './StagesList';

const TAPS = { taper: 'chaser-taper', second: 'chaser-second', bottoming: 'chaser-bottoming' } as const;

type Lead = keyof typeof TAPS;

const NAMES = { taper: 'chaser-tap-taper', second: 'chaser-tap-second', bottoming: 'chaser-tap-bottoming' } as const;

/** The taps there may be for it: each by itself, or with others. */
const SETS: Lead[][] = [
  ['taper'],
  ['second'],
  ['bottoming'],
  ['taper', 'second'],
  ['taper', 'bottoming'],
  ['second', 'bottoming'],
  ['taper', 'second', 'bottoming'],
];

const tapsSaid = (taps: readonly Lead[]) => taps.map(lead => text(NAMES[lead])).join(' + ');

/** Which taps there are for it, and the last of them run in. */
function TapsWords({ job, plan }: ChasedProps) {
  const unit = useUnit();
  const told = job.request.making;
  const taps = plan.chaser.hole?.taps ?? [];
  return (
    <>
      <Word
        job={job}
        about={text('chaser-which-taps')}
        set={told?.taps != null}
        edit={{
          kind: 'choice',
          choices: [
            {
              says: text('chaser-taps-there'),
              chosen: told?.taps == null,
              patch: { making: { taps: null } },
            },
            ...SETS.map(taps => ({
              says: tapsSaid(taps),
              chosen: told?.taps?.join() === taps.join(),
              patch: { making: { taps, last_tap: null } },
            })),
          ],
        }}
      >
        {tapsSaid(taps.filter(t => t.run).map(t => t.lead))}
      </Word>
      {', '}
      <Word
        job={job}
        about={text('chaser-last-tap')}
        set={told?.last_tap != null}
        edit={{
          kind: 'choice',
          choices: taps
            .filter(t => told?.taps?.includes(t.lead) ?? true)
            .map(t => ({
              says: t.says,
              under: text('chaser-wants-depth', { depth: figure(t.full_depth_mm, unit) }),
              chosen: t.last,
              patch: { making: { last_tap: t.lead } },
            })),
        }}
      >
        {text(TAPS[taps.find(t => t.last)?.lead ?? 'second'])}
      </Word>
    </>
  );
}

/** Set-up of a die or a tap: what turns it, how it is held, the check before the first turn. */
export function ChaserSetup({ job, plan }: ChasedProps) {
  const { chaser } = plan;
  const unit = useUnit();
  const [view, setView] = useState<'check' | 'steps'>('check');
  const [makers, setMakers] = useState(false);
  const told = job.request.making;
  const yes = (
    about: string,
    field: 'power' | 'worn' | 'turned_round' | 'split',
    is: boolean,
    on: string,
    off: string,
  ) => (
    <Word
      job={job}
      about={about}
      set={told?.[field] != null}
      edit={{
        kind: 'choice',
        choices: [true, false].map(value => ({
          says: value ? on : off,
          chosen: is === value,
          patch: { making: { [field]: value } },
        })),
      }}
    >
      {is ? on : off}
    </Word>
  );
  return (
    <Station
      id="setup"
      plan={plan}
      sentence={said(chaser.by === 'die' ? 'chaser-set-up-die' : 'chaser-set-up-tap', {
        power: yes(
          text('chaser-what-turns-it'),
          'power',
          chaser.power.chosen,
          text('chaser-by-power'),
          text('chaser-by-hand'),
        ),
        handle: (
          <Word
            job={job}
            about={text('chaser-handle')}
            set={chaser.twist.handle_told}
            edit={{
              kind: 'length',
              value: inField(chaser.twist.handle_mm, unit),
              patch: mm => ({ making: { handle_mm: mm } }),
              clear: text('page-not-told'),
            }}
          >
            {figure(chaser.twist.handle_mm, unit)}
          </Word>
        ),
        worn: yes(text('chaser-how-sharp'), 'worn', told?.worn ?? false, text('chaser-worn'), text('chaser-sharp')),
        more:
          chaser.by === 'die' ? (
            <>
              {yes(
                text('chaser-whether-split'),
                'split',
                told?.split ?? true,
                text('chaser-split'),
                text('chaser-solid'),
              )}
              {', '}
              {yes(
                text('chaser-its-end'),
                'turned_round',
                told?.turned_round ?? false,
                text('chaser-turned-round'),
                text('chaser-as-it-comes'),
              )}
            </>
          ) : (
            <TapsWords job={job} plan={plan} />
          ),
        way: <ProofWord job={job} plan={plan} />,
        mate_at_hand: <MateWord job={job} plan={plan} />,
      })}
      drawing={
        <div className="views">
          <div className="row" role="group" aria-label={text('setup-which-view')}>
            {(['check', 'steps'] as const).map(v => (
              <button key={v} type="button" className="choice" aria-pressed={v === view} onClick={() => setView(v)}>
                {v === 'check' ? text('setup-the-check') : text('setup-step-by-step')}
              </button>
            ))}
          </div>
          {view === 'check' ? <CheckList job={job} plan={plan} /> : <StagesList job={job} plan={plan} />}
        </div>
      }
      numbers={[
        {
          says: text('chaser-turns-with'),
          figure: chaser.twist.torque_nm,
          note: chaser.twist.says,
        },
        { says: text('chaser-each-hand'), figure: chaser.twist.each_hand_n },
        { says: text('chaser-each-jaw'), figure: chaser.twist.each_jaw_n },
        chaser.power.chosen &&
          chaser.power.speed_rpm && {
            says: text('page-speed'),
            figure: chaser.power.speed_rpm,
            note: chaser.power.says,
          },
        chaser.power.chosen &&
          chaser.power.runs_on_mm && { says: text('chaser-runs-on'), figure: chaser.power.runs_on_mm },
      ]}
      beside={chaser.cautions[1] && <p className="how caution">{chaser.cautions[1]}</p>}
      acts={
        <button type="button" className="act plain" onClick={() => setMakers(true)}>
          {text('chaser-or-a-single-point')}
        </button>
      }
      notes={[!chaser.power.chosen && <p>{chaser.power.says}</p>, <Cautions cautions={chaser.cautions} />]}
    >
      <MakersLeaf job={job} open={makers} onClose={() => setMakers(false)} />
    </Station>
  );
}
