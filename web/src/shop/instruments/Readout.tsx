import { useState } from 'react';
import { type AxisName, inWords } from '../../api/client';
import { spoken, text } from '../../app/voice';
import { AxisRow, type ToldAxis } from './AxisRow';
import { type OneProps, pointAt, useLine } from './hooks';
import { SpokenLine } from './SpokenLine';

const NAMES = spoken<Record<AxisName, string>>(() => ({
  cross_slide: text('shop-cross-slide'),
  carriage: text('instruments-carriage'),
  compound: text('page-compound'),
}));

/** The axes a readout may see, in the order they are told. */
const AXES: AxisName[] = ['cross_slide', 'carriage', 'compound'];

/** A readout: its line, and what each figure in it is. */
export function Readout({ lathe, revision, told, tell }: OneProps) {
  const heard = useLine(lathe, 'readout', revision);
  const [pointing, setPointing] = useState<AxisName | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const readout = told.readout;
  if (!readout) return null;
  const axes = readout.axes ?? [];
  const guessed = axes.length === 0 ? (heard?.guessed ?? []) : [];
  const keep = (next: ToldAxis[]) => tell.mutate({ ...told, readout: { ...readout, axes: next } });
  const keepOne = (one: ToldAxis) => keep([...axes.filter(a => a.axis !== one.axis), one]);
  const point = async (at: number) => {
    if (!pointing || !heard) return;
    setFault(null);
    try {
      const pattern = await pointAt(heard.line, at, 0);
      const before = axes.find(a => a.axis === pointing);
      // What another axis had is this one's now.
      const others = axes.filter(a => a.axis !== pointing && a.pattern.nth !== pattern.nth);
      keep([...others, { axis: pointing, pattern, ...(before?.counts ? { counts: before.counts } : {}) }]);
      setPointing(null);
    } catch (e) {
      setFault(inWords(e));
    }
  };
  const piece = (axis: ToldAxis) => heard?.pieces.filter(p => p.at != null)[axis.pattern.nth];
  return (
    <>
      <SpokenLine view={heard} pointing={pointing !== null} onPoint={at => void point(at)} />
      {heard && guessed.length > 0 ? (
        <div className="row">
          <p className="how grow">{text('instruments-guessed')}</p>
          <button type="button" className="act" onClick={() => keep(guessed)}>
            {text('instruments-agree')}
          </button>
        </div>
      ) : (
        <p className="how">{text(pointing ? 'instruments-pointing' : 'instruments-point')}</p>
      )}
      {fault && (
        <p className="fault" role="alert">
          {fault}
        </p>
      )}
      <ul className="axes">
        {AXES.map(name => {
          const axis = axes.find(a => a.axis === name) ?? guessed.find(a => a.axis === name);
          return (
            <AxisRow
              key={name}
              lathe={lathe}
              name={NAMES()[name]}
              axis={axes.find(a => a.axis === name) ?? { axis: name }}
              now={
                heard?.axes.find(a => a.axis === name) ??
                (axis && heard && { axis: name, text: piece(axis)?.text ?? '' })
              }
              inches={axes.some(a => a.counts?.inches)}
              pointing={pointing === name}
              bare={axis !== undefined && piece(axis)?.pointed === false}
              onPointing={() => setPointing(pointing === name ? null : name)}
              onTold={keepOne}
            />
          );
        })}
      </ul>
      <label className="switch">
        <input
          type="checkbox"
          checked={readout.always ?? false}
          onChange={e => tell.mutate({ ...told, readout: { ...readout, always: e.currentTarget.checked } })}
        />
        <span>
          {text('instruments-always')} <small>{text('instruments-always-why')}</small>
        </span>
      </label>
    </>
  );
}
