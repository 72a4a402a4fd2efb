import { useState } from 'react';
import { useWays } from '../../api/sheets';
import { useKeys } from '../../app/keys';
import { BenchPad } from '../../pad/BenchPad';
import { Outline } from '../../drawing/Outline';
import { Word } from '../../app/Word';
import { figure } from '../../parts/Figure';
import { cap, speedSays } from '../../parts/text';
import { useUnit } from '../../parts/unit';
import type { PointedProps } from '../JobPage';
import { Station } from '../Station';
import { EndLeaf } from './EndLeaf';
import { HeldLeaf } from './HeldLeaf';
import { PlainLeaf } from './PlainLeaf';
import { FullThreadWord, TurnedWord } from './SizeWords';
import { TriedLeaf } from './TriedLeaf';
import { atHand, fedBy, GAP } from './words';
import { said, spoken, text } from '../../app/voice';

const AIM = spoken(() => ({
  low: text('blank-low-side-limits'),
  middle: text('blank-middle-limits'),
  high: text('blank-high-side-limits'),
}));

const DIE = spoken(() => text('blank-size-die-finishes'));

/** The word that edits what a dimension of the drawing measures. */
const WORD_OF = spoken<Record<string, string>>(() => ({
  diameter: text('blank-as-turned'),
  length: text('page-threaded-length'),
  chamfer: text('blank-chamfer-there-is'),
  relief_width: text('blank-relief-width-there-is'),
  relief_diameter: text('blank-relief-diameter-there-is'),
  relief_corner: text('blank-corner-radius-there-is'),
  mark: text('blank-how-the-thread-ends'),
  shoulder: text('blank-shoulder-diameter'),
}));

/** Dimensions whose word stands in the leaf on the ending. */
const IN_END = ['chamfer', 'relief_width', 'relief_diameter', 'relief_corner', 'shoulder'];

/** Opens the word that sets what a dimension measures. */
const openWord = (name: string) =>
  document.querySelector<HTMLElement>(`button.word[aria-label*="${WORD_OF()[name] ?? ''}"]`)?.click();

/** Blank: what to turn or bore first, and where the thread ends. */
export function BlankStation({ job, plan }: PointedProps) {
  const { blank, thread } = plan;
  const unit = useUnit();
  const [leaf, setLeaf] = useState<'pad' | 'end' | 'held' | 'plain' | 'tried' | null>(null);
  useKeys({ pad: () => setLeaf('pad') });
  const external = thread.side === 'external';
  const fed = fedBy(plan, 'blank_diameter');
  /** A dimension touched on the drawing opens what sets it. */
  const touch = (name: string) => {
    if (name === 'register') return setLeaf('plain');
    if (!IN_END.includes(name)) return openWord(name);
    setLeaf('end');
    // The leaf stands on the page one frame later.
    requestAnimationFrame(() => requestAnimationFrame(() => openWord(name)));
  };
  const ways = useWays(job);
  const told = job.request.blank;
  const held = blank.holdings.find(h => h.chosen);
  const plainCount = (blank.plain?.length ?? 0) + (blank.register ? 1 : 0);
  const ending = blank.endings.find(e => e.chosen);
  return (
    <Station
      id="blank"
      plan={plan}
      sentence={said('blank-stands-and-ends', {
        what: external ? text('blank-the-blank') : text('blank-the-bore'),
        used: <TurnedWord job={job} plan={plan} />,
        fed: fed
          ? text('blank-fed-from-pad', { fed: fed.name })
          : blank.measured
            ? text('blank-as-measured')
            : text('blank-aim-measured-yet'),
        bored:
          !external &&
          blank.bore &&
          said('blank-bored-full-thread', {
            share_percent: <FullThreadWord job={job} bore={blank.bore} />,
          }),
        aim: (
          <Word
            job={job}
            about={text('blank-where-in-the-limits')}
            set={told?.aim != null || Boolean(told?.die_finish)}
            edit={{
              kind: 'choice',
              choices: [
                ...(['low', 'middle', 'high'] as const).map(aim => ({
                  says: AIM()[aim],
                  under: aim === 'low' && external ? text('blank-soft-stock-raises') : undefined,
                  chosen: !told?.die_finish && (told?.aim ?? 'middle') === aim,
                  patch: { blank: { aim, die_finish: null } },
                })),
                ...(external
                  ? [
                      {
                        says: DIE(),
                        under: text('blank-tenth-pitch-small'),
                        chosen: Boolean(told?.die_finish),
                        patch: { blank: { die_finish: true } },
                      },
                    ]
                  : []),
              ],
            }}
          >
            {told?.die_finish ? DIE() : AIM()[told?.aim ?? 'middle']}
          </Word>
        ),
        ending: (
          <Word
            job={job}
            about={text('blank-how-the-thread-ends')}
            set={job.request.blank?.end != null}
            edit={{
              kind: 'choice',
              choices: blank.endings.map(e => ({
                says: `${e.says}${e.recommended ? ` ${text('page-recommended')}` : ''}`,
                under: text('blank-of-full-thread', {
                  usable: figure(e.usable_mm, unit),
                  consequence: e.consequence,
                }),
                seen: ways.data?.ends.find(s => s.end === e.end)?.drawing,
                chosen: e.chosen,
                patch: { blank: { end: e.end } },
              })),
            }}
          >
            {ending?.says ?? text('blank-out-in-the-open')}
          </Word>
        ),
        leaving: ending && text('blank-leaving-of-full-thread', { usable: figure(ending.usable_mm, unit) }),
        gap: (
          <button type="button" className="word" onClick={() => setLeaf('end')}>
            {blank.relief
              ? text('blank-with-its-and-chamfer', { gap: GAP()[blank.relief.end] })
              : text('blank-with-its-chamfer')}
          </button>
        ),
        held: (
          <button
            type="button"
            className={`word${told?.holding != null ? ' set' : ''}`}
            onClick={() => setLeaf('held')}
          >
            {text('blank-held', {
              held: held?.says ?? '',
              ratio: blank.slenderness ? text('blank-out', { ratio: blank.slenderness.ratio.text }) : '',
            })}
          </button>
        ),
        run_out: blank.run_out && text('blank-run-out-now', { off: figure(blank.run_out.off_mm, unit) }),
        taper: blank.parallel && text('blank-taper-over-thread', { taper: figure(blank.parallel.taper_mm, unit) }),
      })}
      drawing={<Outline drawing={blank.drawing} onDimension={job.frozen ? undefined : touch} />}
      numbers={[
        {
          says: external ? text('card-turn') : text('card-bore'),
          figure: blank.aim_mm,
          under: text('page-to', { min: figure(blank.min_mm, unit), max: figure(blank.max_mm, unit) }),
          note: atHand(blank, 'chaser', 'reamer').join(' ') || undefined,
        },
        blank.bore?.drill_mm && {
          says: text('blank-drill-first'),
          figure: blank.bore.drill_mm,
          under: blank.bore.drill_says,
        },
        blank.plug && {
          says: text('blank-plain-plug-enters'),
          figure: blank.plug.go_mm,
          under: text('blank-one-must', { not_go: figure(blank.plug.not_go_mm, unit) }),
        },
        blank.register && {
          says: external ? text('blank-turn-the-register-to') : text('blank-bore-the-register-to'),
          figure: blank.register.max_mm,
          under: text('page-least', { min: figure(blank.register.min_mm, unit) }),
        },
        { says: text('blank-chamfer-to'), figure: blank.chamfer_mm },
        { says: text('blank-mark-from-the-face'), figure: blank.mark.from_face_mm, note: blank.mark.says },
        blank.relief && {
          says:
            blank.relief.end === 'drilled_pocket'
              ? text('blank-pocket-down-to-diameter')
              : text('blank-diameter', { gap: cap(GAP()[blank.relief.end]) }),
          figure: blank.relief.diameter_mm,
          note: blank.relief.says,
        },
        blank.relief?.drill_mm && { says: text('blank-drill-the-pocket'), figure: blank.relief.drill_mm },
        blank.relief && {
          says:
            blank.relief.end === 'drilled_pocket'
              ? text('blank-pocket-across-least')
              : text('blank-width-least', { gap: cap(GAP()[blank.relief.end]) }),
          figure: blank.relief.width_mm,
          under:
            plan.setup.ending === 'hand'
              ? text('blank-stopped-by-hand')
              : plan.setup.carriage === 'toward_headstock'
                ? text('blank-stops-in-at', {
                    stopping: figure(plan.setup.stopping_mm, unit),
                    speed_says: speedSays(plan),
                  })
                : text('blank-cut-starts'),
        },
      ]}
      acts={
        <>
          <button type="button" className="act plain" onClick={() => setLeaf('plain')}>
            {plainCount
              ? text('blank-register-plain-sizes', { plain_count: plainCount })
              : text('blank-register-plain-sizes-bare')}
          </button>
          {blank.tried && (
            <button type="button" className="act plain" onClick={() => setLeaf('tried')}>
              {text('blank-try-the-metal')}
            </button>
          )}
          <button type="button" className="act plain" onClick={() => setLeaf('pad')}>
            {plan.pad?.length ? text('blank-bench-pad', { pad: plan.pad.length }) : text('page-bench-pad')}
          </button>
        </>
      }
    >
      <BenchPad job={job} plan={plan} open={leaf === 'pad'} onClose={() => setLeaf(null)} />
      <EndLeaf job={job} plan={plan} open={leaf === 'end'} onClose={() => setLeaf(null)} />
      <HeldLeaf job={job} plan={plan} open={leaf === 'held'} onClose={() => setLeaf(null)} />
      <TriedLeaf job={job} plan={plan} open={leaf === 'tried'} onClose={() => setLeaf(null)} />
      <PlainLeaf job={job} plan={plan} open={leaf === 'plain'} onClose={() => setLeaf(null)} />
    </Station>
  );
}
