import { useEffect, useState } from 'react';
import { inWords, Refused } from '../../api/client';
import { Head } from '../../app/Head';
import { Slash } from '../../app/Slash';
import { spoken, text } from '../../app/voice';
import { Leaf } from '../../parts/Leaf';
import { Radios } from '../../parts/Radios';
import { TextForm } from '../../parts/TextForm';
import { when } from '../../parts/text';
import { type DoorView, type Role, useDoor, useTurning } from './hooks';

type Turning = ReturnType<typeof useTurning>;
type Device = DoorView['devices'][number];

const ROLES = spoken(() => [
  { is: 'sees' as const, says: text('network-role-sees'), what: text('network-role-sees-says') },
  { is: 'works' as const, says: text('network-role-works'), what: text('network-role-works-says') },
  { is: 'everything' as const, says: text('network-role-everything'), what: text('network-role-everything-says') },
]);

/** The door to the shop's network: opened and shut, how a device is let in, and those that are. */
export function NetworkPage() {
  const door = useDoor();
  const turning = useTurning();
  useEffect(() => {
    document.title = text('network-page');
  }, []);
  const elsewhere = door.error instanceof Refused && door.error.problem.status === 403;
  const error = [turning.open, turning.code, turning.device, turning.out].find(one => one.isError)?.error;
  return (
    <div className="shell">
      <Head>
        <h1 className="board-name">{text('network-page')}</h1>
      </Head>
      <main className="network">
        <p className="how">{text('network-says')}</p>
        {door.isError && <p className="fault">{elsewhere ? text('network-desk-only') : inWords(door.error)}</p>}
        {error && (
          <p className="fault" role="alert">
            {inWords(error)}
          </p>
        )}
        {door.data && <Standing door={door.data} turning={turning} />}
      </main>
      <Slash />
    </div>
  );
}

function Standing({ door, turning }: { door: DoorView; turning: Turning }) {
  return (
    <>
      <Radios
        about={text('network-page')}
        choices={[
          { is: true, says: text('network-open') },
          { is: false, says: text('network-shut') },
        ]}
        chosen={is => is === door.open}
        onChoose={is => is !== door.open && turning.open.mutate(is)}
      />
      {door.open ? (
        <p>
          {text('network-at')}{' '}
          {door.addresses.map(at => (
            <code key={at} className="at">
              {at}
            </code>
          ))}
        </p>
      ) : (
        <p className="how">{text('network-shut-says')}</p>
      )}
      <div className="network-two">
        {door.open && door.trust && (
          <section aria-labelledby="trust-head">
            <h2 id="trust-head">{text('network-first')}</h2>
            <p className="how">{text('network-first-says')}</p>
            <div className="photographed">
              <Picture of={door.trust} />
              <div>
                <code className="at">{door.trust.at}</code>
                <code className="fingerprint">{door.fingerprint}</code>
              </div>
            </div>
          </section>
        )}
        {door.open && <LetIn door={door} turning={turning} />}
        <section aria-labelledby="devices-head">
          <h2 id="devices-head">{text('network-devices')}</h2>
          {door.devices.length === 0 && <p className="how">{text('network-none')}</p>}
          <ul className="devices">
            {door.devices.map(device => (
              <One key={device.id} device={device} turning={turning} />
            ))}
          </ul>
        </section>
      </div>
    </>
  );
}

/** An address as squares; nothing of it is fetched. */
const Picture = ({ of }: { of: { at: string; picture: string } }) => (
  <img alt={text('network-picture')} src={`data:image/svg+xml,${encodeURIComponent(of.picture)}`} />
);

function LetIn({ door, turning }: { door: DoorView; turning: Turning }) {
  const [role, setRole] = useState<Role>('works');
  const { code } = door;
  return (
    <section aria-labelledby="let-in-head">
      <h2 id="let-in-head">{text('network-second')}</h2>
      <p className="how">{text('network-second-says')}</p>
      {door.shut_min != null && <p className="fault">{text('network-too-many', { min: door.shut_min })}</p>}
      <Radios about={text('network-second')} choices={ROLES()} chosen={is => is === role} onChoose={setRole} />
      <p className="how">{ROLES().find(r => r.is === role)?.what}</p>
      {code && (
        <div className="photographed">
          <Picture of={code.told} />
          <p aria-live="polite">
            {text('network-code')} <b className="code">{code.code}</b>
            <span className="how">{text('network-good', { min: Math.ceil(code.good_s / 60) })}</span>
          </p>
        </div>
      )}
      <button type="button" className="act" onClick={() => turning.code.mutate(role)}>
        {text(code ? 'network-another' : 'network-give')}
      </button>
      <p className="how">{text('network-keep')}</p>
    </section>
  );
}

function One({ device, turning }: { device: Device; turning: Turning }) {
  const [naming, setNaming] = useState(false);
  return (
    <li>
      <b>{device.name}</b>
      <span className="how">{text('network-seen', { when: when(device.seen) })}</span>
      <Radios
        about={device.name}
        choices={ROLES()}
        chosen={is => is === device.role}
        onChoose={role => role !== device.role && turning.device.mutate({ id: device.id, role })}
      />
      <div className="row">
        <button type="button" className="act plain" onClick={() => setNaming(true)}>
          {text('network-rename')}
        </button>
        <button type="button" className="act plain" onClick={() => turning.out.mutate(device.id)}>
          {text('network-put-out')}
        </button>
      </div>
      <Leaf title={text('network-rename')} open={naming} onClose={() => setNaming(false)}>
        <TextForm
          name={`device:${device.id}`}
          label={text('network-name')}
          value={device.name}
          onTold={name => {
            turning.device.mutate({ id: device.id, name });
            setNaming(false);
          }}
        />
      </Leaf>
    </li>
  );
}
