import { useId, useState } from 'react';
import type { Cable } from '../../api/client';
import { Radios } from '../../parts/Radios';
import { spoken, text } from '../../app/voice';
import { usePorts } from './hooks';

const BY = spoken<{ is: Cable['by']; says: string }[]>(() => [
  { is: 'serial', says: text('instruments-by-serial') },
  { is: 'tcp', says: text('instruments-by-tcp') },
]);
const PARITY = spoken(
  () =>
    [
      { is: 'none', says: text('instruments-parity-none') },
      { is: 'even', says: text('instruments-parity-even') },
      { is: 'odd', says: text('instruments-parity-odd') },
    ] as const,
);
const BITS = [7, 8].map(is => ({ is, says: String(is) }));
const STOPS = [1, 2].map(is => ({ is, says: String(is) }));

/** Where an instrument's cable ends. */
export function CableForm({
  now,
  faults,
  onCable,
  onLeave,
}: {
  now: Cable | undefined;
  /** What is wrong with it, by its field. */
  faults: Record<string, string>;
  onCable: (cable: Cable) => void;
  onLeave?: (() => void) | undefined;
}) {
  const id = useId();
  const [by, setBy] = useState<Cable['by']>(now?.by ?? 'serial');
  const serial = now?.by === 'serial' ? now : null;
  const [port, setPort] = useState(serial?.port ?? '');
  const [baud, setBaud] = useState(String(serial?.baud ?? 9600));
  const [bits, setBits] = useState(serial?.data_bits ?? 8);
  const [parity, setParity] = useState<'none' | 'even' | 'odd'>(serial?.parity ?? 'none');
  const [stops, setStops] = useState(serial?.stop_bits ?? 1);
  const ports = (usePorts().data ?? []).map(is => ({ is, says: is }));
  const [address, setAddress] = useState(now?.by === 'tcp' ? now.address : '');
  const field = (name: string, says: string, value: string, set: (value: string) => void, numeric = false) => (
    <label className="part-field" htmlFor={`${id}-${name}`}>
      <span>{says}</span>
      <input
        id={`${id}-${name}`}
        autoComplete="off"
        autoCapitalize="none"
        spellCheck={false}
        inputMode={numeric ? 'numeric' : 'text'}
        value={value}
        onChange={e => set(e.currentTarget.value)}
        aria-invalid={faults[name] !== undefined}
        aria-describedby={faults[name] ? `${id}-${name}-fault` : undefined}
      />
      {faults[name] && (
        <span className="fault" role="alert" id={`${id}-${name}-fault`}>
          {faults[name]}
        </span>
      )}
    </label>
  );
  return (
    <form
      className="part-form"
      onSubmit={e => {
        e.preventDefault();
        onCable(
          by === 'tcp'
            ? { by, address: address.trim() }
            : { by, port: port.trim(), baud: Number(baud) || 0, data_bits: bits, parity, stop_bits: stops },
        );
      }}
    >
      <Radios about={text('instruments-cable')} choices={BY()} chosen={is => is === by} onChoose={setBy} />
      {by === 'tcp' ? (
        field('address', text('instruments-address'), address, setAddress)
      ) : (
        <>
          {field('port', text('instruments-port'), port, setPort)}
          {ports.length > 0 && (
            <Radios about={text('instruments-ports')} choices={ports} chosen={is => is === port} onChoose={setPort} />
          )}
          {field('baud', text('instruments-baud'), baud, setBaud, true)}
          <div className="cable-bits">
            <span>{text('instruments-bits')}</span>
            <Radios about={text('instruments-bits')} choices={BITS} chosen={is => is === bits} onChoose={setBits} />
            <span>{text('instruments-parity')}</span>
            <Radios
              about={text('instruments-parity')}
              choices={PARITY()}
              chosen={is => is === parity}
              onChoose={setParity}
            />
            <span>{text('instruments-stop')}</span>
            <Radios
              about={text('instruments-stop')}
              choices={STOPS}
              chosen={is => is === stops}
              onChoose={setStops}
            />
          </div>
        </>
      )}
      <div className="row">
        <button type="submit" className="act">
          {text('instruments-listen')}
        </button>
        {onLeave && (
          <button type="button" className="act plain" onClick={onLeave}>
            {text('instruments-stop-editing')}
          </button>
        )}
      </div>
    </form>
  );
}
