import { useState } from 'react';
import { inWords } from '../../api/client';
import { Radios } from '../../parts/Radios';
import { spoken, text } from '../../app/voice';
import { type OneProps, pointAt, useLine } from './hooks';
import { SpokenLine } from './SpokenLine';

const UNITS = spoken(() => [
  { is: false, says: text('instruments-mm') },
  { is: true, says: text('instruments-in') },
]);

/** A micrometer: its line, and where in it the reading stands. */
export function Micrometer({ lathe, revision, told, tell }: OneProps) {
  const heard = useLine(lathe, 'micrometer', revision);
  const [fault, setFault] = useState<string | null>(null);
  const micrometer = told.micrometer;
  if (!micrometer) return null;
  const point = async (at: number) => {
    if (!heard) return;
    setFault(null);
    try {
      tell.mutate({ ...told, micrometer: { ...micrometer, pattern: await pointAt(heard.line, at, 0) } });
    } catch (e) {
      setFault(inWords(e));
    }
  };
  return (
    <>
      <SpokenLine view={heard} pointing onPoint={at => void point(at)} />
      <p className="how">{text('instruments-point-reading')}</p>
      {fault && (
        <p className="fault" role="alert">
          {fault}
        </p>
      )}
      <div className="axes">
        <p className="axis">
          <span>{text('instruments-reads')}</span>
          <b className="axis-figure">{heard?.reads ?? text('instruments-not-seen')}</b>
        </p>
      </div>
      <div className="row">
        <span>{text('instruments-unit')}</span>
        <Radios
          about={text('instruments-unit')}
          choices={UNITS()}
          chosen={is => is === (micrometer.inches ?? false)}
          onChoose={inches => tell.mutate({ ...told, micrometer: { ...micrometer, inches } })}
        />
      </div>
    </>
  );
}
