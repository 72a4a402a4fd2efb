import { useState } from 'react';
import { useKeys } from '../../app/keys';
import { Word } from '../../app/Word';
import { said, text } from '../../app/voice';
import { Outline } from '../../drawing/Outline';
import { BenchPad } from '../../pad/BenchPad';
import { figure } from '../../parts/Figure';
import { inField, typed } from '../../parts/text';
import { useUnit } from '../../parts/unit';
import { HeldLeaf } from '../blank/HeldLeaf';
import { PlainLeaf } from '../blank/PlainLeaf';
import { FullThreadWord, TurnedWord } from '../blank/SizeWords';
import { atHand, fedBy } from '../blank/words';
import type { ChasedProps } from '../JobPage';
import { Station } from '../Station';
import { MakersLeaf } from './MakersLeaf';

/** What is said of it: before a die or a tap, up to a shoulder or blind, or in the open. */
const STANDS = {
  die: { open: 'chaser-blank-in-the-open', shoulder: 'chaser-blank-to-a-shoulder' },
  tap: { open: 'chaser-hole-through', shoulder: 'chaser-hole-blind' },
} as const;

/** Blank before a die, or the hole before a tap: its size, its bevel or its depth, and how it is held. */
export function ChaserBlank({ job, plan }: ChasedProps) {
  const { blank, chaser } = plan;
  const unit = useUnit();
  const [leaf, setLeaf] = useState<'pad' | 'held' | 'plain' | 'makers' | null>(null);
  const close = () => setLeaf(null);
  useKeys({ pad: () => setLeaf('pad') });
  const screw = chaser.by === 'die';
  const told = job.request.blank;
  const held = blank.holdings.find(h => h.chosen);
  const fed = fedBy(plan, 'blank_diameter');
  const plainCount = (blank.plain?.length ?? 0) + (blank.register ? 1 : 0);
  const length = (
    about: string,
    field: 'relief_width_mm' | 'relief_diameter_mm' | 'beyond_mm',
    unset: string,
    value = told?.[field],
  ) => (
    <Word
      job={job}
      about={about}
      set={value != null}
      later={field === 'beyond_mm'}
      edit={{
        kind: 'length',
        value: value == null ? '' : inField({ value }, unit),
        patch: mm => ({ blank: { [field]: mm } }),
        clear: unset,
      }}
    >
      {value == null ? unset : text('chaser-told-length', { size: typed(value, unit), unit })}
    </Word>
  );
  return (
    <Station
      id="blank"
      plan={plan}
      sentence={said(STANDS[chaser.by === 'die' ? 'die' : 'tap'][told?.shoulder ? 'shoulder' : 'open'], {
        used: <TurnedWord job={job} plan={plan} />,
        fed: fed
          ? text('blank-fed-from-pad', { fed: fed.name })
          : blank.measured
            ? text('blank-as-measured')
            : text(blank.bore?.drill_mm && !blank.bore.left_mm ? 'chaser-as-drilled' : 'blank-aim-measured-yet'),
        share: blank.bore ? <FullThreadWord job={job} bore={blank.bore} /> : '',
        relief: told?.shoulder
          ? screw
            ? length(text('blank-relief-width-there-is'), 'relief_width_mm', text('chaser-no-relief'))
            : length(text('chaser-hole-past-thread'), 'beyond_mm', text('page-not-told'))
          : '',
        held: (
          <button
            type="button"
            className={`word${told?.holding != null ? ' set' : ''}`}
            onClick={() => setLeaf('held')}
          >
            {text('blank-held', { held: held?.says ?? '', ratio: '' })}
          </button>
        ),
      })}
      drawing={<Outline drawing={blank.drawing} />}
      numbers={[
        {
          says: screw ? text('card-turn') : text('chaser-hole-aim'),
          figure: blank.aim_mm,
          under: text('page-to', { min: figure(blank.min_mm, unit), max: figure(blank.max_mm, unit) }),
          note: atHand(blank, 'chaser', 'reamer').join(' ') || undefined,
        },
        blank.bore?.drill_mm && {
          says: text('chaser-tapping-drill'),
          figure: blank.bore.drill_mm,
          note: blank.bore.drill_says,
        },
        ...(chaser.bevels ?? [])
          .filter(b => b.proposed)
          .map(b => ({
            says: text('chaser-bevel-at', { deg: b.deg }),
            figure: b.long_mm,
            under: text('chaser-bevel-to', { to: figure(blank.chamfer_mm, unit) }),
          })),
        chaser.hole?.blind && {
          says: text('chaser-hole-full'),
          figure: chaser.hole.full_depth_mm,
          under: text('chaser-hole-tip', { tip: figure(chaser.hole.tip_depth_mm, unit) }),
        },
        { says: text('chaser-full-thread'), figure: chaser.full_mm },
        { says: text('blank-mark-from-the-face'), figure: blank.mark.from_face_mm, note: blank.mark.says },
      ]}
      acts={
        <>
          <button type="button" className="act plain" onClick={() => setLeaf('makers')}>
            {text('chaser-or-a-single-point')}
          </button>
          <button type="button" className="act plain" onClick={() => setLeaf('plain')}>
            {plainCount
              ? text('blank-register-plain-sizes', { plain_count: plainCount })
              : text('blank-register-plain-sizes-bare')}
          </button>
          <button type="button" className="act plain" onClick={() => setLeaf('pad')}>
            {plan.pad?.length ? text('blank-bench-pad', { pad: plan.pad.length }) : text('page-bench-pad')}
          </button>
        </>
      }
      notes={[
        chaser.bevels?.length ? (
          <dl className="noted" key="bevels">
            {chaser.bevels.map(b => (
              <div key={b.deg}>
                <dt>{text('chaser-bevel-at', { deg: b.deg })}</dt>
                <dd>{figure(b.long_mm, unit)}</dd>
              </div>
            ))}
          </dl>
        ) : null,
        chaser.hole ? (
          <dl className="noted" key="taps">
            {chaser.hole.taps.map(t => (
              <div key={t.lead}>
                <dt>{t.says}</dt>
                <dd>{figure(t.full_depth_mm, unit)}</dd>
              </div>
            ))}
          </dl>
        ) : null,
      ]}
    >
      <BenchPad job={job} plan={plan} open={leaf === 'pad'} onClose={close} />
      <HeldLeaf job={job} plan={plan} open={leaf === 'held'} onClose={close} />
      <PlainLeaf job={job} plan={plan} open={leaf === 'plain'} onClose={close} />
      <MakersLeaf job={job} open={leaf === 'makers'} onClose={close} />
    </Station>
  );
}
