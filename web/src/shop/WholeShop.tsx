import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { faultsOf, inWords, Refused, type Problem } from '../api/client';
import { Leaf } from '../parts/Leaf';
import { type Found, Reading, readJson } from './Reading';

interface TakenIn {
  lathes: number;
  jobs: number;
  acts: number;
  kept: number;
}

const many = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`;

/** The whole shop out as one file, and such a file taken in: what is here stays as it is. */
export function WholeShop() {
  const queries = useQueryClient();
  const [open, setOpen] = useState(false);
  const [busy, setBusy] = useState(false);
  const [faults, setFaults] = useState<Found[]>([]);
  const [taken, setTaken] = useState<TakenIn | null>(null);
  const read = async (text: string, told: () => void) => {
    const json = readJson(text);
    if ('says' in json) return setFaults([json]);
    setBusy(true);
    try {
      // As it was typed: its numbers are not to be read and written on the way.
      const answer = await fetch('/api/v1/shop.json', {
        method: 'POST',
        body: text,
        headers: { 'content-type': 'application/json' },
      });
      if (!answer.ok) throw new Refused((await answer.json()) as Problem);
      setTaken((await answer.json()) as TakenIn);
      told();
      setOpen(false);
      await queries.invalidateQueries();
    } catch (error) {
      const wrong = faultsOf(error).map(f => ({
        says: `${f.pointer.slice(1).replaceAll('/', ', ')}: ${f.detail}`,
        line: json.lineOf(f.pointer),
      }));
      setFaults(wrong.length ? wrong : [{ says: inWords(error) }]);
    } finally {
      setBusy(false);
    }
  };
  return (
    <section aria-labelledby="whole-head">
      <h2 id="whole-head">The whole shop</h2>
      <div className="row">
        <a className="act plain" href="/api/v1/shop.json" download>
          Save it as a file
        </a>
        <button type="button" className="act plain" onClick={() => setOpen(true)}>
          Read a shop file
        </button>
      </div>
      {taken && (
        <p role="status">
          Taken in: {many(taken.lathes, 'lathe')}, {many(taken.jobs, 'job')}, {many(taken.acts, 'act')}.
          {taken.kept > 0 && ` ${taken.kept} here differ from the file, and stay as they are here.`}
        </p>
      )}
      <Leaf title="Read a shop file" open={open} onClose={() => setOpen(false)} wide>
        {open && (
          <Reading
            how="A shop, or a job, as it is saved. Nothing is taken in until the whole of it reads; what is here stays as it is."
            accept=".json,application/json"
            act="Take it in"
            faults={faults}
            busy={busy}
            onText={() => setFaults([])}
            onRead={(text, told) => void read(text, told)}
          />
        )}
      </Leaf>
    </section>
  );
}
