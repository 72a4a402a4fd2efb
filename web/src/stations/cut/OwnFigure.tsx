import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, inWords, type Job, unwrap } from '../../api/client';
import { readLength } from '../../api/length';
import { spoken, text } from '../../app/voice';
import { useDraft } from '../../parts/draft';
import { Radios } from '../../parts/Radios';
import { TypedFigure } from '../../parts/TypedFigure';
import { useUnit } from '../../parts/unit';

type Of = 'radial' | 'compound' | 'percent' | 'wire_constant';

const KINDS = spoken<Record<Of, string>>(() => ({
  radial: text('cut-own-radial'),
  compound: text('cut-own-compound'),
  percent: text('cut-own-percent'),
  wire_constant: text('cut-own-wires'),
}));

/** A figure somebody was going to use: what it would give here, and the slip it looks like. */
export function OwnFigure({ job, kinds }: { job: Job; kinds: Of[] }) {
  const unit = useUnit();
  const [of, setOf] = useState<Of>('radial');
  const [written, setText] = useDraft(`own-figure:${of}`, '');
  const [fault, setFault] = useState<string | null>(null);
  const test = useMutation({
    mutationFn: async (figure: number) =>
      unwrap(
        await api.POST('/api/v1/jobs/{id}/own-figure', { params: { path: { id: job.id } }, body: { of, figure } }),
      ),
    onError: error => setFault(inWords(error)),
  });
  const send = async () => {
    setFault(null);
    test.reset();
    if (of === 'percent') {
      const percent = Number(written.replace('%', '').replace(',', '.'));
      if (written.trim() === '' || !Number.isFinite(percent))
        return setFault(text('cut-own-percent-number', { written }));
      return test.mutate(percent);
    }
    const read = await readLength(written, unit);
    if (read.fault !== undefined) return setFault(read.fault);
    test.mutate(read.mm);
  };
  const found = test.data;
  return (
    <form
      className="editor own-figure"
      onSubmit={e => {
        e.preventDefault();
        void send();
      }}
    >
      <Radios
        about={text('cut-own-which')}
        choices={kinds.map(is => ({ is, says: KINDS()[is] }))}
        chosen={is => is === of}
        onChoose={is => {
          setOf(is);
          test.reset();
        }}
      />
      <TypedFigure
        label={of === 'percent' ? text('cut-own-in-percent') : text('cut-own-in', { unit })}
        written={written}
        onChange={setText}
        fault={fault}
      />
      <button type="submit" className="act" disabled={test.isPending}>
        {text('cut-own-test')}
      </button>
      {found && (
        <p className={`what-if-says ${found.state}`} role="status">
          {found.trap && <b>{found.trap} </b>}
          {found.says}
        </p>
      )}
    </form>
  );
}
