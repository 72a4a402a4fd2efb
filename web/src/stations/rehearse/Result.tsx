import type { TryView } from '../../api/client';
import { text } from '../../app/voice';

/** What came of a try, in words. */
export function Result({ tried }: { tried: TryView }) {
  return (
    <div className={`came ${tried.good ? 'good' : 'bad'}`}>
      <p className="came-says">{tried.says}</p>
      {tried.then && <p className="came-then">{tried.then}</p>}
      {tried.faults.map(f => (
        <p key={f.code + f.says}>
          <b>{f.says}</b> {f.cost}
        </p>
      ))}
      {tried.faults.length === 0 && tried.good && <p>{text('rehearse-went-well')}</p>}
      <p>{tried.advice}</p>
    </div>
  );
}
