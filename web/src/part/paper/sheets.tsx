import type { Job, Papers, PointedPlan } from '../../api/client';
import { useChart } from '../../api/hooks';
import { useBatch, usePartSheet, useRoute } from '../../api/part';
import { photoAt } from '../../api/photos';
import { useBitSheet } from '../../api/sheets';
import { Outline } from '../../drawing/Outline';
import { figure } from '../../parts/Figure';
import { useUnit } from '../../parts/unit';
import { sidesSay, tipSays } from '../../stations/bit/ground';
import { lever, train } from '../../stations/gears/train';
import { CardLines } from '../CardLines';
import { PaperFoot, PaperHead } from './frame';
import { said, text } from '../../app/voice';

/** What to grind, in order, with the bit at its own size and its tip ten times as large. */
export function GrindingSheet({ job, plan, papers }: { job: Job; plan: PointedPlan; papers: Papers }) {
  const sheet = useBitSheet(job);
  const unit = useUnit();
  const drawn = (view: string, scale: number) => `/api/v1/jobs/${job.id}/bit.svg?view=${view}&scale=${scale}`;
  return (
    <>
      <PaperHead job={job} papers={papers} name={text('page-grinding-sheet')} />
      <p>
        {text('paper-ground-the-tip', { sides_say: sidesSay(plan.bit, unit), tip_says: tipSays(plan.bit, unit) })}
      </p>
      <ol className="paper-steps">
        {sheet.data?.steps.map(s => (
          <li key={s}>{s}</li>
        ))}
      </ol>
      <h3>{text('paper-at-its-own-size')}</h3>
      <img src={drawn('views', 1)} alt={text('paper-bit-above-front')} />
      <h3>{text('paper-tip-ten-times')}</h3>
      <img src={drawn('tip', 10)} alt={text('paper-tip-groove-ten')} />
      <PaperFoot>{text('paper-eye-protection-grinders')}</PaperFoot>
    </>
  );
}

/** Every pitch of the lathe with its best train. */
export function ChartSheet({ job, papers }: { job: Job; papers: Papers }) {
  const lathe = job.request.lathe_id ?? '';
  const chart = useChart(lathe);
  return (
    <>
      <PaperHead job={job} papers={papers} name={text('page-pitch-chart')} />
      {lathe === '' && <p>{text('paper-lathe-job-kept')}</p>}
      <table>
        <thead>
          <tr>
            <th>{text('page-pitch')}</th>
            <th>{text('page-drivers-driven')}</th>
            <th>{text('page-error')}</th>
            <th>{text('card-half-nut')}</th>
          </tr>
        </thead>
        <tbody>
          {chart.data?.map(r => (
            <tr key={`${r.unit}${r.pitch}`}>
              <th scope="row">{r.pitch}</th>
              <td>
                {r.train
                  ? `${train(r.train)}${lever(r.train)}${r.train.why_not ? ` (${r.train.why_not})` : ''}`
                  : '—'}
              </td>
              <td>{r.train?.error_text ?? ''}</td>
              <td>{r.dial_says}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <PaperFoot />
    </>
  );
}

/** The part drawn whole, with every limit; a page a piece. */
export function DrawingSheet({ job, papers }: { job: Job; papers: Papers }) {
  const part = usePartSheet(job);
  return (
    <>
      {part.data?.pieces.map(p => (
        <section key={p.piece} className="paper-piece">
          <PaperHead job={job} papers={papers} name={`${text('paper-drawing-sheet')}, ${p.says}`} />
          <Outline drawing={p.drawing} className="paper-drawing" />
          <p>{p.length}</p>
          <div className="paper-limits">
            {p.limits.map(section => (
              <section key={section.name}>
                <h3>{section.name}</h3>
                <CardLines lines={section.lines} />
              </section>
            ))}
          </div>
          {p.at_odds.map(says => (
            <p key={says}>▲ {says}</p>
          ))}
          <PaperFoot />
        </section>
      ))}
    </>
  );
}

/** Every operation of the part with a box to tick, its card, and what must be true before it leaves a chuck. */
export function RouteSheet({ job, papers }: { job: Job; papers: Papers }) {
  const route = useRoute(job);
  return (
    <>
      <PaperHead job={job} papers={papers} name={text('paper-route-sheet')} />
      {route.data?.said.setups.map((s, i) => (
        <section key={s.id} className="paper-setup">
          <h3>
            {i + 1} {s.piece_says}, {s.held}
          </h3>
          {s.ops.map(o => (
            <div key={o.id} className="paper-op">
              <span className={`box${o.done ? ' ticked' : ''}`} />
              <div>
                {said('paper-min', {
                  name: <b>{o.name}</b>,
                  n: Math.max(1, Math.round(o.takes_min)),
                  note: o.note && text('paper-noted', { note: o.note }),
                })}
                <CardLines lines={o.card} />
                {o.photo && (
                  <img className="paper-photo" src={photoAt(o.job ?? s.piece ?? job.id, o.photo)} alt={o.name} />
                )}
              </div>
            </div>
          ))}
          <p>
            <b>{text('paper-before-leaves-chuck')}</b> {s.leave.map(m => m.says).join(' ')}
          </p>
        </section>
      ))}
      <PaperFoot />
    </>
  );
}

/** The tally of the batch, with room to write. */
export function TallySheet({ job, papers }: { job: Job; papers: Papers }) {
  const batch = useBatch(job);
  const unit = useUnit();
  const tally = batch.data?.tally;
  return (
    <>
      <PaperHead job={job} papers={papers} name={text('paper-tally-sheet')} />
      {tally && (
        <>
          <p>{tally.says}</p>
          <table>
            <thead>
              <tr>
                <th>{text('page-part')}</th>
                {tally.columns.map(c => (
                  <th key={c.name}>
                    {c.name}
                    {c.limits_mm && `, ${c.limits_mm.map(q => figure(q, unit)).join(' to ')}`}
                  </th>
                ))}
                <th>{text('page-stands')}</th>
              </tr>
            </thead>
            <tbody>
              {tally.rows.map(r => (
                <tr key={r.job}>
                  <th scope="row">
                    {r.place} {r.says}
                  </th>
                  {r.cells.map((c, i) => (
                    <td key={tally.columns[i]?.name}>
                      {c.read ? figure(c.read, unit) : ''}
                      {c.stands === 'out' ? ` ${text('paper-out')}` : ''}
                    </td>
                  ))}
                  <td>{r.scrapped ? text('paper-scrapped', { scrapped: r.scrapped }) : r.stands}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {tally.columns
            .filter(c => c.drift?.real)
            .map(c => (
              <p key={c.name}>
                {c.name}: {c.says}
              </p>
            ))}
        </>
      )}
      <PaperFoot />
    </>
  );
}
