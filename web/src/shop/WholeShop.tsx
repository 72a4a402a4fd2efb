import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { faultsOf, inWords, Refused, type Problem } from '../api/client';
import { sendTheRest } from '../api/outbox';
import { takeIn, waitedElsewhere } from '../api/queue';
import { Leaf } from '../parts/Leaf';
import { type Found, Reading, readJson } from './Reading';
import { text } from '../app/voice';

interface TakenIn {
  lathes: number;
  jobs: number;
  acts: number;
  kept: number;
}

/** The texts for one of what was taken in, and for several. */
const TAKEN = {
  lathe: ['shop-one-lathe', 'shop-some-lathes'],
  job: ['shop-one-job', 'shop-some-jobs'],
  act: ['shop-one-act', 'shop-some-acts'],
} as const;
const many = (n: number, of: keyof typeof TAKEN) => text(TAKEN[of][n === 1 ? 0 : 1], { n });

/** The whole shop out as one file, and such a file taken in: what is here stays as it is. */
export function WholeShop() {
  const queries = useQueryClient();
  const [open, setOpen] = useState(false);
  const [busy, setBusy] = useState(false);
  const [faults, setFaults] = useState<Found[]>([]);
  const [taken, setTaken] = useState<TakenIn | null>(null);
  const [waited, setWaited] = useState<number | null>(null);
  const read = async (written: string, told: () => void) => {
    const json = readJson(written);
    if ('says' in json) return setFaults([json]);
    const waited = waitedElsewhere(json.value);
    if (waited) {
      setWaited(takeIn(localStorage, waited));
      told();
      setOpen(false);
      return sendTheRest(job => queries.setQueryData(['job', job.id], job));
    }
    setBusy(true);
    try {
      // As it was typed: its numbers are not to be read and written on the way.
      const answer = await fetch('/api/v1/shop.json', {
        method: 'POST',
        body: written,
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
      <h2 id="whole-head">{text('shop-the-whole-shop')}</h2>
      <div className="row">
        <a className="act plain" href="/api/v1/shop.json" download>
          {text('shop-save-file')}
        </a>
        <button type="button" className="act plain" onClick={() => setOpen(true)}>
          {text('shop-read-a-shop-file')}
        </button>
      </div>
      {waited !== null && <p role="status">{text('shop-waited-taken', { n: waited })}</p>}
      {taken && (
        <p role="status">
          {text('shop-taken-in', {
            lathes: many(taken.lathes, 'lathe'),
            jobs: many(taken.jobs, 'job'),
            acts: many(taken.acts, 'act'),
          })}{' '}
          {taken.kept > 0 && text('shop-here-differ-file', { kept: taken.kept })}
        </p>
      )}
      <Leaf title={text('shop-read-a-shop-file')} open={open} onClose={() => setOpen(false)} wide>
        {open && (
          <Reading
            how={text('shop-shop-job-saved')}
            accept=".json,application/json"
            name="shop"
            act={text('shop-take-it-in')}
            faults={faults}
            busy={busy}
            onText={() => setFaults([])}
            onRead={(written, told) => void read(written, told)}
          />
        )}
      </Leaf>
    </section>
  );
}
