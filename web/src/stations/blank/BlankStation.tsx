import { useState } from 'react';
import { useKeys } from '../../app/keys';
import { BenchPad } from '../../pad/BenchPad';
import { Outline } from '../../drawing/Outline';
import { Word } from '../../app/Word';
import { figure } from '../../parts/Figure';
import { useUnit } from '../../parts/unit';
import type { StationProps } from '../JobPage';
import { Station } from '../Station';

const AIM = { low: 'the low side of its limits', middle: 'the middle of its limits', high: 'the high side of its limits' };

const SUPPORT = [['none', 'the chuck alone'], ['centre', 'chuck and tailstock'], ['steady', 'chuck, tailstock and steady']] as const;

/** The word that edits what a dimension of the drawing measures. */
const WORD_OF: Record<string, string> = {
  diameter: 'as turned', length: 'Threaded length', relief_width: 'Relief width there is', relief_diameter: 'Relief diameter there is',
};

/** A dimension touched on the drawing opens the word that sets it. */
function openWord(name: string) {
  const says = WORD_OF[name];
  if (says) document.querySelector<HTMLElement>(`button.word[aria-label*="${says}"]`)?.click();
}

/** Blank: what to turn or bore first, and where the thread ends. */
export function BlankStation({ job, plan }: StationProps) {
  const { blank, thread } = plan;
  const unit = useUnit();
  const [pad, setPad] = useState(false);
  useKeys({ b: () => setPad(true) });
  const external = thread.side === 'external';
  const fed = (fact: string) => {
    const sum = plan.pad?.find((l) => l.feeds === fact);
    return sum ? `, from the pad (${sum.name})` : null;
  };
  const bare = (text: string) => text.replace(/ .*/, '');
  const relief = job.request.blank?.relief_width_mm ?? plan.pad?.find((l) => l.feeds === 'relief width')?.result.value;
  const reliefDiameter = job.request.blank?.relief_diameter_mm ?? plan.pad?.find((l) => l.feeds === 'relief diameter')?.result.value;
  const ending = blank.endings.find((e) => e.chosen);
  const given = (mm: number) => (unit === 'mm' ? `${Number(mm.toFixed(3))} mm` : 'as set');
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
            edit={{ kind: 'length', value: bare(figure(blank.used_mm, unit)), patch: (mm) => ({ blank: { diameter_mm: mm } }), clear: 'Not measured' }}
          >
            {figure(blank.used_mm, unit)}
          </Word>
          {fed('blank or bore as turned') ?? (blank.measured ? ', as measured' : ' (the aim: not measured yet)')}
          {!external && blank.bore && (
            <>
              , bored for{' '}
              <Word
                job={job}
                about="Per cent of full thread"
                set={job.request.blank?.engagement_percent != null}
                edit={{ kind: 'number', value: bare(blank.bore.share_percent.text), patch: (n) => ({ blank: { engagement_percent: n } }), clear: 'Middle of the limits' }}
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
            set={job.request.blank?.aim != null}
            edit={{
              kind: 'choice',
              choices: (['low', 'middle', 'high'] as const).map((aim) => ({
                says: AIM[aim],
                under: aim === 'low' && external ? 'for soft stock, which raises its crests: file before measuring' : undefined,
                chosen: (job.request.blank?.aim ?? 'middle') === aim,
                patch: { blank: { aim } },
              })),
            }}
          >
            {AIM[job.request.blank?.aim ?? 'middle']}
          </Word>
          . It ends{' '}
          <Word
            job={job}
            about="How the thread ends"
            set={job.request.blank?.end != null}
            edit={{
              kind: 'choice',
              choices: blank.endings.map((e) => ({
                says: `${e.says}${e.recommended ? ' (recommended)' : ''}`,
                under: `${figure(e.usable_mm, unit)} of full thread; ${e.consequence}`,
                chosen: e.chosen,
                patch: { blank: { end: e.end } },
              })),
            }}
          >
            {ending?.says ?? 'out in the open'}
          </Word>
          {ending && <>, leaving {figure(ending.usable_mm, unit)} of full thread</>}
          {blank.relief && (
            <>
              ; the relief is{' '}
              <Word
                job={job}
                about="Relief width there is"
                set={relief != null}
                edit={{ kind: 'length', value: bare(figure(blank.relief.width_mm, unit)), patch: (mm) => ({ blank: { relief_width_mm: mm } }), clear: 'As wide as needed' }}
              >
                {relief != null ? given(relief) : 'as wide as needed'}
              </Word>
              {fed('relief width')} and{' '}
              <Word
                job={job}
                about="Relief diameter there is"
                set={reliefDiameter != null}
                edit={{ kind: 'length', value: bare(figure(blank.relief.diameter_mm, unit)), patch: (mm) => ({ blank: { relief_diameter_mm: mm } }), clear: external ? 'As deep as needed' : 'As large as needed' }}
              >
                {reliefDiameter != null ? given(reliefDiameter) : external ? 'as deep as needed' : 'as large as needed'}
              </Word>
              {fed('relief diameter')}
            </>
          )}
          {blank.slenderness && (
            <>
              . It stands out {blank.slenderness.ratio.text}, held by{' '}
              <Word
                job={job}
                about="What holds the far end"
                set={job.request.blank?.support != null}
                edit={{
                  kind: 'choice',
                  choices: SUPPORT.map(([support, says]) => ({ says, chosen: blank.slenderness?.support === support, patch: { blank: { support } } })),
                }}
              >
                {SUPPORT.find(([id]) => id === blank.slenderness?.support)?.[1] ?? 'the chuck alone'}
              </Word>
              , to be finished by{' '}
              <Word
                job={job}
                about="What finishes the thread"
                edit={{
                  kind: 'choice',
                  choices: [
                    { says: 'the bit', chosen: !job.request.blank?.die_finish, patch: { blank: { die_finish: null } } },
                    { says: 'a die', under: 'the blank is turned a tenth of the pitch small', chosen: Boolean(job.request.blank?.die_finish), patch: { blank: { die_finish: true } } },
                  ],
                }}
              >
                {job.request.blank?.die_finish ? 'a die' : 'the bit'}
              </Word>
            </>
          )}
          .{' '}
          <button type="button" className="word" onClick={() => setPad(true)}>
            {plan.pad?.length ? `Bench pad: ${plan.pad.length} ${plan.pad.length === 1 ? 'sum' : 'sums'}.` : 'Bench pad.'}
          </button>
          <BenchPad job={job} plan={plan} open={pad} onClose={() => setPad(false)} />
        </>
      }
      drawing={<Outline drawing={blank.drawing} onDimension={job.frozen ? undefined : openWord} />}
      numbers={[
        { says: external ? 'Turn to' : 'Bore to', figure: blank.aim_mm, under: `${figure(blank.min_mm, unit)} to ${figure(blank.max_mm, unit)}` },
        blank.bore?.drill_mm && { says: 'Drill first', figure: blank.bore.drill_mm, under: blank.bore.left_mm && `leaves ${figure(blank.bore.left_mm, unit)} to bore` },
        blank.plug && { says: 'Plain plug: enters', figure: blank.plug.go_mm, under: `and one of ${figure(blank.plug.not_go_mm, unit)} must not` },
        { says: 'Chamfer to', figure: blank.chamfer_mm },
        blank.relief && { says: 'Relief diameter', figure: blank.relief.diameter_mm, under: blank.relief.says },
        blank.relief && { says: 'Relief width, least', figure: blank.relief.width_mm, under: plan.setup.carriage === 'toward_headstock' ? `stops in ${figure(plan.setup.stopping_mm, unit)} at ${plan.setup.speed_rpm.text}` : 'the cut starts in it' },
      ]}
    />
  );
}
