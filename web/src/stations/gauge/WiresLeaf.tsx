import { type GaugeSheet, inWords, type Job } from '../../api/client';
import { useGaugeSheet } from '../../api/sheets';
import { Outline, Seen } from '../../drawing/Outline';
import { figure } from '../../parts/Figure';
import { Leaf } from '../../parts/Leaf';
import { useUnit } from '../../parts/unit';
import { text } from '../../app/voice';

/** Wires or shanks with the size over three of each, or why it does not serve. */
function Wires({ list, says }: { list: GaugeSheet['wires']; says: string }) {
  const unit = useUnit();
  return (
    <table className="list wires">
      <thead>
        <tr>
          <th scope="col">{says}</th>
          <th scope="col">{text('gauge-over-three-aim')}</th>
          <th scope="col">{text('gauge-over-one-aim')}</th>
          <th scope="col" />
        </tr>
      </thead>
      <tbody>
        {list.map(w => (
          <tr key={w.wire_mm.value} className={w.serves ? undefined : 'refused'}>
            <td className="figure">
              <Seen drawing={w.drawing} />
              {figure(w.wire_mm, unit)}
              {w.chosen && ' ✓'}
            </td>
            <td className="figure">{w.over_mm ? figure(w.over_mm.target, unit) : '✕'}</td>
            <td className="figure">{w.over_one_mm ? figure(w.over_one_mm.target, unit) : ''}</td>
            <td>{w.why}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Every wire of the drawer held against this thread, the range that serves drawn, and how three are held with two hands. */
export function WiresLeaf({ job, open, onClose }: { job: Job; open: boolean; onClose: () => void }) {
  const answer = useGaugeSheet(job, open);
  const unit = useUnit();
  const sheet = answer.data;
  return (
    <Leaf
      title={
        sheet && sheet.balls.length > 0 ? text('gauge-balls-for-this-bore') : text('gauge-wires-for-this-thread')
      }
      open={open}
      onClose={onClose}
      wide
    >
      {answer.isError && !sheet && (
        <p className="fault" role="alert">
          {inWords(answer.error)}
        </p>
      )}
      {sheet?.range && (
        <div className="wire-range">
          <Outline drawing={sheet.range} />
        </div>
      )}
      {sheet && sheet.wires.length > 0 && <Wires list={sheet.wires} says={text('page-in-the-drawer')} />}
      {sheet && sheet.shanks.length > 0 && <Wires list={sheet.shanks} says={text('gauge-shanks-drills-measured')} />}
      {sheet && sheet.balls.length > 0 && (
        <table className="list">
          <thead>
            <tr>
              <th scope="col">{text('gauge-ball')}</th>
              <th scope="col">{text('gauge-between-three-aim')}</th>
              <th scope="col">{text('gauge-between-two-opposite-aim')}</th>
            </tr>
          </thead>
          <tbody>
            {sheet.balls.map(b => (
              <tr key={b.ball_mm.value} className="figure">
                <td>{figure(b.ball_mm, unit)}</td>
                <td>{figure(b.three_mm.target, unit)}</td>
                <td>{figure(b.two_mm.target, unit)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {sheet && sheet.holding.length > 0 && (
        <>
          <h2 className="leaf-head">{text('gauge-three-wires-two-hands')}</h2>
          <ul className="steps">
            {sheet.holding.map(h => (
              <li key={h}>{h}</li>
            ))}
          </ul>
        </>
      )}
      {sheet && sheet.wires.length === 0 && sheet.balls.length === 0 && <p>{text('gauge-straight-sides-seat')}</p>}
    </Leaf>
  );
}
