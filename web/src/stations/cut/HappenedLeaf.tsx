import { useState } from 'react';
import { type ActKind, isPointed, type Job, type NextStep, type Plan, type PointedPlan } from '../../api/client';
import { Leaf } from '../../parts/Leaf';
import { LengthForm } from '../../parts/LengthForm';
import { NoteForm } from '../../parts/NoteForm';
import { Radios } from '../../parts/Radios';
import { TextForm } from '../../parts/TextForm';
import { StandsForm } from './StandsLeaf';
import { spoken, text } from '../../app/voice';
import { useFullScreen } from '../../tablet/useFullScreen';

type Asked = 'took' | 'bit' | 'touch' | 'note' | 'past' | 'scrap' | 'back' | null;
type BackIn = NonNullable<Extract<ActKind, { kind: 'rechucked' }>['back']>;
type Why = Extract<ActKind, { kind: 'bit_changed' }>['why'];

const WHYS = spoken<{ is: Why; says: string }[]>(() => [
  { is: 'broke', says: text('page-it-broke') },
  { is: 'reground', says: text('cut-ground-again') },
  { is: 'swapped', says: text('cut-another-put-in') },
]);

/** How work that was out of the lathe is back in it, and whether its zero and settings stand. */
const BACK = spoken<[BackIn, boolean, string][]>(() => [
  ['same_slot', true, text('cut-back-slot')],
  ['chuck_on_its_mark', true, text('cut-back-mark')],
  ['another_place', false, text('cut-back-place')],
  ['gripped_anew', false, text('cut-back-anew')],
  ['parted_off', false, text('cut-back-parted')],
]);

/** What the blue shows where the new tip touched; true where only the bottom marked. */
const MARKS = spoken(() => [
  { is: false, says: text('cut-both-flanks-marked') },
  { is: true, says: text('cut-only-the-bottom') },
]);

/** The bit that goes on: what became of the last, and the flat of this one if it was measured. */
function BitForm({ onTold }: { onTold: (act: ActKind) => void }) {
  const [why, setWhy] = useState<Why>('reground');
  return (
    <LengthForm
      fields={[{ name: 'flat', says: text('cut-flat-tip-if'), optional: true }]}
      act={text('cut-go-on-with-it')}
      onSet={(mm, told) => {
        onTold({ kind: 'bit_changed', why, tip_flat_mm: mm.flat ?? undefined });
        told();
      }}
    >
      <Radios about={text('cut-became-bit')} choices={WHYS()} chosen={w => why === w} onChoose={setWhy} />
    </LengthForm>
  );
}

/** The new tip wound into the groove: where it touched, and whether both flanks marked or only the bottom. */
export function TouchForm({ plan, onTold }: { plan: PointedPlan; onTold: (act: ActKind) => void }) {
  const [bottom, setBottom] = useState(false);
  return (
    <>
      <Radios
        about={text('cut-what-marked-the-blue')}
        choices={MARKS()}
        chosen={is => bottom === is}
        onChoose={setBottom}
      />
      <StandsForm
        plan={plan}
        of="groove_touched"
        act={text('cut-it-touched-there')}
        onRead={reading => onTold({ kind: 'groove_touched', reading, bottom_only: bottom })}
      />
    </>
  );
}

/** How it is back; of what stands otherwise than it did, what an indicator swings on it where that was read. */
function BackForm({ onTold }: { onTold: (act: ActKind) => void }) {
  const [chosen, setChosen] = useState<BackIn | null>(null);
  if (chosen)
    return (
      <LengthForm
        fields={[{ name: 'swing', says: text('cut-back-swing'), optional: true }]}
        act={text('page-tell-it')}
        onSet={(mm, told) => {
          onTold({ kind: 'rechucked', back: chosen, swing_mm: mm.swing ?? undefined });
          told();
        }}
      />
    );
  return (
    <div className="happened">
      {BACK().map(([back, kept, says]) => (
        <button
          key={back}
          type="button"
          className="choice"
          onClick={() => (kept ? onTold({ kind: 'rechucked', back }) : setChosen(back))}
        >
          <b>{says}</b>
          <span>{text(kept ? 'cut-back-kept' : 'cut-back-lost')}</span>
        </button>
      ))}
    </div>
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
  onRehearse,
}: {
  job: Job;
  plan: Plan;
  next: NextStep | null;
  open: boolean;
  onClose: () => void;
  record: (act: ActKind) => void;
  onTrouble: () => void;
  onRehearse: () => void;
}) {
  const [asked, setAsked] = useState<Asked>(null);
  const fill = useFullScreen();
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
  // What is told of a dial, a bit or a half-nut is told of a single point alone.
  const pointed = isPointed(plan) ? plan : null;
  const cutting = begun && pointed !== null;
  const choices: [string, string, () => void, boolean][] = [
    [
      text('cut-took-a-different-amount'),
      text('cut-pass-cut-another'),
      () => setAsked('took'),
      pointed !== null && next !== null,
    ],
    [text('cut-one-more-spring-pass'), text('cut-depth-stands'), () => told({ kind: 'sprung' }), cutting],
    [text('cut-changed-the-bit'), text('cut-broken-ground-again'), () => setAsked('bit'), cutting],
    [text('cut-touched-groove'), text('cut-dial-reads-tells'), () => setAsked('touch'), cutting],
    [text('cut-out-chuck-back'), text('cut-or-it-slipped'), () => setAsked('back'), begun],
    [text('cut-half-nut-opened'), text('cut-thread-lost-some'), () => told({ kind: 'lost' }), cutting],
    [text('cut-ran-past-the-mark'), text('cut-how-far-your'), () => setAsked('past'), cutting],
    run?.stopped
      ? [text('lathe-go-on'), text('cut-after-a-stop'), () => told({ kind: 'resumed' }), begun]
      : [text('cut-stop-for-the-day'), text('cut-how-leave-how'), () => told({ kind: 'stopped' }), begun],
    // Where opening the half-nut loses the thread it is not done with before it was measured or tried.
    [
      text('cut-done-with-it'),
      text('cut-take-it-out'),
      () => told({ kind: 'finished' }),
      begun && (run?.may_leave ?? false),
    ],
    [text('cut-something-is-wrong'), text('cut-seen-cause'), onTrouble, pointed !== null],
    [text('rehearse-page'), text('rehearse-on-air'), onRehearse, pointed !== null && !begun],
    [text('page-scrap-it'), text('cut-spoilt-past-mending'), () => setAsked('scrap'), true],
    [text('page-note'), text('cut-something-worth-remembering'), () => setAsked('note'), true],
    [
      text('frame-full-screen'),
      text('frame-full-screen-how'),
      () => {
        fill?.();
        close();
      },
      fill !== null,
    ],
  ];
  const titles = {
    took: text('cut-it-was-cut-at'),
    bit: text('cut-bit-goes'),
    touch: text('cut-the-groove-touched-at'),
    note: text('page-note'),
    past: text('cut-ran-past-mark'),
    back: text('cut-back-how'),
    scrap: text('cut-scrap-this-part'),
  };
  return (
    <Leaf
      title={asked ? titles[asked] : text('cut-something-else')}
      open={open}
      onClose={close}
      wide={asked === null || asked === 'back'}
    >
      {asked === 'took' && next && pointed && (
        <StandsForm
          plan={pointed}
          of="took"
          act={text('cut-it-was-cut-there')}
          onRead={reading => told({ kind: 'took', n: next.pass.n, reading })}
        />
      )}
      {asked === 'bit' && <BitForm onTold={told} />}
      {asked === 'touch' && pointed && <TouchForm plan={pointed} onTold={told} />}
      {asked === 'back' && <BackForm onTold={told} />}
      {asked === 'past' && (
        <LengthForm
          fields={[{ name: 'past', says: text('cut-past-the-mark-by') }]}
          act={text('page-tell-it')}
          onSet={(mm, taken) => {
            told({ kind: 'overran', past_mm: mm.past ?? 0 });
            taken();
          }}
        />
      )}
      {asked === 'scrap' && (
        <TextForm
          name="scrap"
          label={text('page-what-spoilt-it')}
          value=""
          act={text('page-scrap-it')}
          onTold={why => told({ kind: 'scrapped', why })}
        />
      )}
      {asked === 'note' && <NoteForm onTold={written => told({ kind: 'note', text: written })} />}
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
          {begun && !run?.may_leave && <p className="how">{text('cut-done-before-measured')}</p>}
        </div>
      )}
    </Leaf>
  );
}
