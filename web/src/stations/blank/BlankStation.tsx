import { useState } from 'react';
import { useWays } from '../../api/sheets';
import { useKeys } from '../../app/keys';
import { BenchPad } from '../../pad/BenchPad';
import { Outline } from '../../drawing/Outline';
import { Word } from '../../app/Word';
import { figure } from '../../parts/Figure';
import { bare, inField, cap, speedSays } from '../../parts/text';
import { useUnit } from '../../parts/unit';
import type { StationProps } from '../JobPage';
import { Station } from '../Station';
import { EndLeaf } from './EndLeaf';
import { HeldLeaf } from './HeldLeaf';
import { PlainLeaf } from './PlainLeaf';
import { fedBy, GAP } from './words';
import { say } from '../../app/voice';

const AIM = {
  low: 'the low side of its limits',
  middle: 'the middle of its limits',
  high: 'the high side of its limits',
};

const DIE = 'the size a die finishes from';

/** The word that edits what a dimension of the drawing measures. */
const WORD_OF: Record<string, string> = {
  diameter: 'as turned',
  length: 'Threaded length',
  chamfer: 'Chamfer there is',
  relief_width: 'Relief width there is',
  relief_diameter: 'Relief diameter there is',
  relief_corner: 'Corner radius there is',
  mark: 'How the thread ends',
  shoulder: 'Shoulder diameter',
};

/** Dimensions whose word stands in the leaf on the ending. */
const IN_END = ['chamfer', 'relief_width', 'relief_diameter', 'relief_corner', 'shoulder'];

/** Opens the word that sets what a dimension measures. */
const openWord = (name: string) =>
  document.querySelector<HTMLElement>(`button.word[aria-label*="${WORD_OF[name] ?? ''}"]`)?.click();

/** Blank: what to turn or bore first, and where the thread ends. */
export function BlankStation({ job, plan }: StationProps) {
  const { blank, thread } = plan;
  const unit = useUnit();
  const [leaf, setLeaf] = useState<'pad' | 'end' | 'held' | 'plain' | null>(null);
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
      sentence={
        <>
          {external ? 'The blank' : 'The bore'} stands at{' '}
          <Word
            job={job}
            about={external ? 'Blank as turned' : 'Bore as turned'}
            set={blank.measured}
            edit={{
              kind: 'length',
              value: inField(blank.used_mm, unit),
              patch: mm => ({ blank: { diameter_mm: mm } }),
              clear: 'Not measured',
            }}
          >
            {figure(blank.used_mm, unit)}
          </Word>
          {fed ? `, from the pad (${fed.name})` : blank.measured ? ', as measured' : ' (the aim: not measured yet)'}
          {!external && blank.bore && (
            <>
              , bored for{' '}
              <Word
                job={job}
                about="Per cent of full thread"
                set={job.request.blank?.engagement_percent != null}
                edit={{
                  kind: 'number',
                  value: bare(blank.bore.share_percent.text),
                  patch: n => ({ blank: { engagement_percent: n } }),
                  clear: 'Middle of the limits',
                }}
              >
                {blank.bore.share_percent.text}
              </Word>{' '}
              of full thread
            </>
          )}
          , aimed at{' '}
          <Word
            job={job}
            about="Where in the limits"
            set={told?.aim != null || Boolean(told?.die_finish)}
            edit={{
              kind: 'choice',
              choices: [
                ...(['low', 'middle', 'high'] as const).map(aim => ({
                  says: AIM[aim],
                  under:
                    aim === 'low' && external
                      ? 'for soft stock, which raises its crests: file before measuring'
                      : undefined,
                  chosen: !told?.die_finish && (told?.aim ?? 'middle') === aim,
                  patch: { blank: { aim, die_finish: null } },
                })),
                ...(external
                  ? [
                      {
                        says: DIE,
                        under: 'a tenth of the pitch small: a die raises the crests',
                        chosen: Boolean(told?.die_finish),
                        patch: { blank: { die_finish: true } },
                      },
                    ]
                  : []),
              ],
            }}
          >
            {told?.die_finish ? DIE : AIM[told?.aim ?? 'middle']}
          </Word>
          . It ends{' '}
          <Word
            job={job}
            about="How the thread ends"
            set={job.request.blank?.end != null}
            edit={{
              kind: 'choice',
              choices: blank.endings.map(e => ({
                says: `${e.says}${e.recommended ? ' (recommended)' : ''}`,
                under: `${figure(e.usable_mm, unit)} of full thread; ${e.consequence}`,
                seen: ways.data?.ends.find(s => s.end === e.end)?.drawing,
                chosen: e.chosen,
                patch: { blank: { end: e.end } },
              })),
            }}
          >
            {ending?.says ?? 'out in the open'}
          </Word>
          {ending && <>, leaving {figure(ending.usable_mm, unit)} of full thread</>},{' '}
          <button type="button" className="word" onClick={() => setLeaf('end')}>
            {blank.relief ? `with its ${GAP[blank.relief.end]} and chamfer` : 'with its chamfer'}
          </button>
          .{' '}
          <button
            type="button"
            className={`word${told?.holding != null ? ' set' : ''}`}
            onClick={() => setLeaf('held')}
          >
            {`Held ${held?.says ?? ''}${blank.slenderness ? `, ${blank.slenderness.ratio.text} out` : ''}`}
          </button>
          {blank.run_out && (
            <>
              , {figure(blank.run_out.off_mm, unit)} {say('off {center}')}
            </>
          )}
          {blank.parallel && <>, {figure(blank.parallel.taper_mm, unit)} of taper over the thread</>}.
        </>
      }
      drawing={<Outline drawing={blank.drawing} onDimension={job.frozen ? undefined : touch} />}
      numbers={[
        {
          says: external ? 'Turn to' : 'Bore to',
          figure: blank.aim_mm,
          under: `${figure(blank.min_mm, unit)} to ${figure(blank.max_mm, unit)}`,
        },
        blank.bore?.drill_mm && {
          says: 'Drill first',
          figure: blank.bore.drill_mm,
          under: blank.bore.drill_says,
        },
        blank.plug && {
          says: 'Plain plug: enters',
          figure: blank.plug.go_mm,
          under: `and one of ${figure(blank.plug.not_go_mm, unit)} must not`,
        },
        blank.register && {
          says: external ? 'Turn the register to' : 'Bore the register to',
          figure: blank.register.max_mm,
          under: `least ${figure(blank.register.min_mm, unit)}`,
        },
        { says: 'Chamfer to', figure: blank.chamfer_mm },
        { says: 'Mark, from the face', figure: blank.mark.from_face_mm, note: blank.mark.says },
        blank.relief && {
          says:
            blank.relief.end === 'drilled_pocket'
              ? 'Pocket, down to diameter'
              : `${cap(GAP[blank.relief.end])} diameter`,
          figure: blank.relief.diameter_mm,
          note: blank.relief.says,
        },
        blank.relief?.drill_mm && { says: 'Drill the pocket', figure: blank.relief.drill_mm },
        blank.relief && {
          says:
            blank.relief.end === 'drilled_pocket'
              ? 'Pocket across, least'
              : `${cap(GAP[blank.relief.end])} width, least`,
          figure: blank.relief.width_mm,
          under:
            plan.setup.ending === 'hand'
              ? 'stopped by hand'
              : plan.setup.carriage === 'toward_headstock'
                ? `stops in ${figure(plan.setup.stopping_mm, unit)} at ${speedSays(plan)}`
                : 'the cut starts in it',
        },
      ]}
      acts={
        <>
          <button type="button" className="act plain" onClick={() => setLeaf('plain')}>
            {plainCount ? `Register, plain sizes: ${plainCount}` : 'Register, plain sizes'}
          </button>
          <button type="button" className="act plain" onClick={() => setLeaf('pad')}>
            {plan.pad?.length ? `Bench pad: ${plan.pad.length}` : 'Bench pad'}
          </button>
        </>
      }
    >
      <BenchPad job={job} plan={plan} open={leaf === 'pad'} onClose={() => setLeaf(null)} />
      <EndLeaf job={job} plan={plan} open={leaf === 'end'} onClose={() => setLeaf(null)} />
      <HeldLeaf job={job} plan={plan} open={leaf === 'held'} onClose={() => setLeaf(null)} />
      <PlainLeaf job={job} plan={plan} open={leaf === 'plain'} onClose={() => setLeaf(null)} />
    </Station>
  );
}
