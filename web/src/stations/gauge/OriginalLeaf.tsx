import { useState } from 'react';
import type { Job } from '../../api/client';
import { type Patch, useChange } from '../../api/hooks';
import type { Field } from '../../parts/fields';
import { FieldsForm } from '../../parts/FieldsForm';
import { Leaf } from '../../parts/Leaf';
import { Radios } from '../../parts/Radios';
import { spoken, text } from '../../app/voice';

type Way = 'micrometer' | 'wires' | 'roots' | 'space';

/** Ways of measuring it, each with what is told of it. */
const WAYS = spoken<Record<Way, { says: string; fields: Field[] }>>(() => {
  const crest: Field = {
    kind: 'length',
    at: 'crest_mm',
    says: text('gauge-original-crest'),
    how: text('gauge-original-crest-how'),
  };
  return {
    micrometer: {
      says: text('gauge-way-micrometer'),
      fields: [
        {
          kind: 'length',
          at: 'pitch_diameter_mm',
          says: text('gauge-its-pitch-diameter'),
          how: text('gauge-by-thread-micrometer'),
        },
      ],
    },
    wires: {
      says: text('gauge-way-wires'),
      fields: [
        { kind: 'length', at: 'over_wires_mm', says: text('gauge-size-over-three') },
        { kind: 'length', at: 'wire_mm', says: text('gauge-over-wires-of') },
      ],
    },
    roots: {
      says: text('gauge-way-roots'),
      fields: [crest, { kind: 'length', at: 'root_mm', says: text('gauge-original-root') }],
    },
    space: {
      says: text('gauge-way-space'),
      fields: [crest, { kind: 'length', at: 'space_mm', says: text('gauge-original-space') }],
    },
  };
});

const ALWAYS = spoken<Field[]>(() => [
  { kind: 'length', at: 'clearance_mm', says: text('gauge-one-looser'), how: text('gauge-pitch-diameter-left') },
  { kind: 'length', at: 'allow_mm', says: text('gauge-may-end'), how: text('gauge-either-way') },
]);

/** How it was told to have been measured. */
function toldBy(told: Record<string, unknown> | null | undefined): Way {
  if (told?.space_mm != null) return 'space';
  if (told?.crest_mm != null) return 'roots';
  return told?.over_wires_mm != null ? 'wires' : 'micrometer';
}

/** A part to match: measured the way this one will be, it gives the size to aim at. */
export function OriginalLeaf({ job, open, onClose }: { job: Job; open: boolean; onClose: () => void }) {
  const change = useChange(job);
  const told = job.request.gauge?.original;
  const [picked, setPicked] = useState<Way | null>(null);
  const way = picked ?? toldBy(told);
  // What another way told of it is taken back.
  const own = WAYS()[way].fields.map(f => f.at);
  const others = Object.fromEntries(
    Object.values(WAYS())
      .flatMap(w => w.fields.map(f => f.at))
      .filter(at => !own.includes(at))
      .map(at => [at, null]),
  );
  const send = (request: Patch, onError: (error: unknown) => void) =>
    change.mutate({ request }, { onSuccess: onClose, onError });
  return (
    <Leaf title={text('gauge-a-part-to-match')} open={open} onClose={onClose}>
      {open && (
        <Radios
          about={text('gauge-original-how')}
          choices={(Object.keys(WAYS()) as Way[]).map(is => ({ is, says: WAYS()[is].says }))}
          chosen={is => is === way}
          onChoose={setPicked}
        />
      )}
      {open && (
        <FieldsForm
          key={way}
          how={text('gauge-measure-original-same')}
          fields={[...WAYS()[way].fields, ...ALWAYS()]}
          value={told ?? {}}
          under="/gauge/original"
          busy={change.isPending || job.frozen}
          onSend={(patch, onError) => send({ gauge: { original: { ...others, ...patch } } } as Patch, onError)}
        />
      )}
      {told && (
        <div className="row">
          <button
            type="button"
            className="act plain"
            disabled={job.frozen}
            onClick={() => send({ gauge: { original: null } } as Patch, () => undefined)}
          >
            {text('gauge-match-nothing-middle')}
          </button>
        </div>
      )}
    </Leaf>
  );
}
