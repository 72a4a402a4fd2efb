import { useState } from 'react';
import type { ActKind, Job, NextStep, Plan } from '../../api/client';
import { Leaf } from '../../parts/Leaf';
import { LengthForm } from '../../parts/LengthForm';
import { NoteForm } from '../../parts/NoteForm';
import { Radios } from '../../parts/Radios';
import { TextForm } from '../../parts/TextForm';
import { StandsForm } from './StandsLeaf';
import { say } from '../../app/voice';

type Asked = 'took' | 'bit' | 'touch' | 'note' | 'past' | 'scrap' | null;
type Why = Extract<ActKind, { kind: 'bit_changed' }>['why'];

const WHYS: { is: Why; says: string }[] = [
  { is: 'broke', says: 'It broke' },
  { is: 'reground', says: 'Ground again' },
  { is: 'swapped', says: 'Another put in' },
];

/** What the blue shows where the new tip touched; true where only the bottom marked. */
const MARKS = [
  { is: false, says: 'Both flanks marked' },
  { is: true, says: 'Only the bottom' },
];

/** The bit that goes on: what became of the last, and the flat of this one if it was measured. */
function BitForm({ onTold }: { onTold: (act: ActKind) => void }) {
  const [why, setWhy] = useState<Why>('reground');
  return (
    <LengthForm
      fields={[{ name: 'flat', says: 'Flat on its tip, if measured', optional: true }]}
      act="Go on with it"
      onSet={(mm, told) => {
        onTold({ kind: 'bit_changed', why, tip_flat_mm: mm.flat ?? undefined });
        told();
      }}
    >
      <Radios about={say('What became of the {bit}')} choices={WHYS} chosen={w => why === w} onChoose={setWhy} />
    </LengthForm>
  );
}

/** The new tip wound into the groove: where it touched, and whether both flanks marked or only the bottom. */
export function TouchForm({ plan, onTold }: { plan: Plan; onTold: (act: ActKind) => void }) {
  const [bottom, setBottom] = useState(false);
  return (
    <>
      <Radios about="What marked the blue" choices={MARKS} chosen={is => bottom === is} onChoose={setBottom} />
      <StandsForm
        plan={plan}
        act="It touched there"
        onRead={reading => onTold({ kind: 'groove_touched', reading, bottom_only: bottom })}
      />
    </>
  );
}

/** What else can happen in the middle of a cut: each is one act, and what is left is reckoned again from it. */
export function HappenedLeaf({
  job,
  plan,
  next,
  open,
  onClose,
  record,
  onTrouble,
}: {
  job: Job;
  plan: Plan;
  next: NextStep | null;
  open: boolean;
  onClose: () => void;
  record: (act: ActKind) => void;
  onTrouble: () => void;
}) {
  const [asked, setAsked] = useState<Asked>(null);
  const run = job.run;
  const close = () => {
    setAsked(null);
    onClose();
  };
  const told = (act: ActKind) => {
    record(act);
    close();
  };
  const begun = run?.begun ?? false;
  const choices: [string, string, () => void, boolean][] = [
    ['Took a different amount', 'the pass was cut at another reading', () => setAsked('took'), next !== null],
    ['One more spring pass', 'at the depth it stands at', () => told({ kind: 'sprung' }), begun],
    [say('Changed the {bit}'), 'broken, ground again, or another', () => setAsked('bit'), begun],
    ['Touched the groove with it', 'what the dial reads there tells its tip', () => setAsked('touch'), begun],
    ['Out of the chuck and back', 'or it slipped', () => told({ kind: 'rechucked' }), begun],
    [
      say('{Half-nut} opened by mistake'),
      'or the thread was lost some other way',
      () => told({ kind: 'lost' }),
      begun,
    ],
    ['Ran past the mark', 'how far; your own reaction is learned from it', () => setAsked('past'), begun],
    run?.stopped
      ? ['Go on', 'after a stop', () => told({ kind: 'resumed' }), begun]
      : ['Stop for the day', 'how to leave it, and how to go on', () => told({ kind: 'stopped' }), begun],
    // Where opening the half-nut loses the thread it is not done with before it was measured or tried.
    ['Done with it', 'take it out', () => told({ kind: 'finished' }), begun && (run?.may_leave ?? false)],
    ['Something is wrong', 'from what is seen to its cause', onTrouble, true],
    ['Scrap it', 'spoilt past mending', () => setAsked('scrap'), true],
    ['Note', 'something worth remembering', () => setAsked('note'), true],
  ];
  const titles = {
    took: 'It was cut at',
    bit: 'The bit that goes on',
    touch: 'The groove touched at',
    note: 'Note',
    past: 'It ran past the mark',
    scrap: 'Scrap this part',
  };
  return (
    <Leaf title={asked ? titles[asked] : 'Something else…'} open={open} onClose={close} wide={asked === null}>
      {asked === 'took' && next && (
        <StandsForm
          plan={plan}
          act="It was cut there"
          onRead={reading => told({ kind: 'took', n: next.pass.n, reading })}
        />
      )}
      {asked === 'bit' && <BitForm onTold={told} />}
      {asked === 'touch' && <TouchForm plan={plan} onTold={told} />}
      {asked === 'past' && (
        <LengthForm
          fields={[{ name: 'past', says: 'Past the mark by' }]}
          act="Tell it"
          onSet={(mm, taken) => {
            told({ kind: 'overran', past_mm: mm.past ?? 0 });
            taken();
          }}
        />
      )}
      {asked === 'scrap' && (
        <TextForm label="What spoilt it" value="" act="Scrap it" onTold={why => told({ kind: 'scrapped', why })} />
      )}
      {asked === 'note' && <NoteForm onTold={text => told({ kind: 'note', text })} />}
      {asked === null && (
        <div className="happened">
          {choices
            .filter(([, , , can]) => can)
            .map(([says, under, act]) => (
              <button key={says} type="button" className="choice" onClick={act}>
                <b>{says}</b>
                <span>{under}</span>
              </button>
            ))}
          {begun && !run?.may_leave && (
            <p className="how">
              {say('It is not done with before it is measured or tried: opening the {half-nut} loses this thread.')}
            </p>
          )}
        </div>
      )}
    </Leaf>
  );
}
