import { Fragment } from 'react';
import type { PlateRead } from '../api/client';
import { text } from '../app/voice';

/** A plate as it is typed. */
export interface GridText {
  rows: string[];
  columns: string[];
  cells: string[][];
  /** Other change gears a row assumes, as drivers / driven. */
  rowGears: string[];
}

interface GridProps {
  text: GridText;
  onText: (part: Partial<GridText>) => void;
  /** Rows may assume other change gears. */
  geared: boolean;
  /** A single column. */
  one: boolean;
  /** The two levers' own ratios, in place of cells. */
  ratios?: {
    rows: string[];
    columns: string[];
    onRatios: (part: { rowRatios?: string[]; columnRatios?: string[] }) => void;
  };
  wrong: Record<string, string>;
  read: PlateRead | undefined;
}

const changed = (list: string[], i: number, written: string) => {
  const next = [...list];
  next[i] = written;
  return next;
};

/** The grid of a plate: names of the places round it, pitches in it, and under each what came of it. */
export function Grid({ text: written, onText, geared, one, ratios, wrong, read }: GridProps) {
  const { rows, columns, cells, rowGears } = written;
  const name = (i: number, j: number) => `${rows[i] ?? ''} ${columns[j] ?? ''}`.trim();
  const put = (i: number, j: number, value: string) => {
    const next = rows.map((_, r) => columns.map((__, k) => cells[r]?.[k] ?? ''));
    next[i] = changed(next[i] ?? [], j, value);
    onText({ cells: next });
  };
  return (
    <div className="plate-grid">
      <table>
        <thead>
          <tr>
            <td />
            {!one &&
              columns.map((c, j) => (
                <th key={j} scope="col">
                  <input
                    aria-label={text('shop-name-of-column', { n: j + 1 })}
                    value={c}
                    onChange={e => onText({ columns: changed(columns, j, e.currentTarget.value) })}
                    aria-invalid={`/columns/${j}` in wrong}
                  />
                  {ratios && (
                    <input
                      className="cell"
                      aria-label={text('shop-ratio-of-column', { name: c || text('shop-column', { n: j + 1 }) })}
                      value={ratios.columns[j] ?? ''}
                      onChange={e =>
                        ratios.onRatios({ columnRatios: changed(ratios.columns, j, e.currentTarget.value) })
                      }
                    />
                  )}
                </th>
              ))}
            {!one && (
              <td>
                <button
                  type="button"
                  className="choice"
                  aria-label={text('shop-one-more-column')}
                  onClick={() => onText({ columns: [...columns, String(columns.length + 1)] })}
                >
                  +
                </button>
                {columns.length > 1 && (
                  <button
                    type="button"
                    className="choice"
                    aria-label={text('shop-one-column-less')}
                    onClick={() => onText({ columns: columns.slice(0, -1) })}
                  >
                    −
                  </button>
                )}
              </td>
            )}
          </tr>
        </thead>
        <tbody>
          {rows.map((r, i) => (
            <Fragment key={i}>
              <tr>
                <th scope="row">
                  <input
                    aria-label={text('shop-name-of-row', { n: i + 1 })}
                    value={r}
                    onChange={e => onText({ rows: changed(rows, i, e.currentTarget.value) })}
                    aria-invalid={`/rows/${i}` in wrong}
                  />
                </th>
                {columns.map((_, j) => {
                  if (ratios)
                    return (
                      <td key={j}>
                        {j === 0 && (
                          <input
                            className="cell"
                            aria-label={text('shop-ratio-of-row', { name: r || text('shop-row', { n: i + 1 }) })}
                            value={ratios.rows[i] ?? ''}
                            onChange={e =>
                              ratios.onRatios({ rowRatios: changed(ratios.rows, i, e.currentTarget.value) })
                            }
                          />
                        )}
                      </td>
                    );
                  const misread = read?.misread.find(m => m.row === i && m.column === j);
                  const ratio = read?.positions.find(p => p.name === name(i, j))?.ratio;
                  const fault = wrong[`/cells/${i}/${j}`];
                  return (
                    <td key={j} className={misread || fault ? 'misread' : ''}>
                      <input
                        className="cell"
                        inputMode="decimal"
                        aria-label={text('shop-at-place', { name: name(i, j) || text('shop-row', { n: i + 1 }) })}
                        value={cells[i]?.[j] ?? ''}
                        onChange={e => put(i, j, e.currentTarget.value)}
                        aria-invalid={Boolean(misread) || fault !== undefined}
                      />
                      {ratio !== undefined && <small>{String(ratio)}</small>}
                      {fault && <small className="fault">{fault}</small>}
                      {misread?.fits && (
                        <button type="button" className="choice" onClick={() => put(i, j, misread.fits ?? '')}>
                          {text('shop-put', { fits: misread.fits })}
                        </button>
                      )}
                      {misread && !misread.fits && <small className="fault">{text('shop-read-it-again')}</small>}
                    </td>
                  );
                })}
                {geared && (
                  <td>
                    <input
                      className="gears"
                      aria-label={text('shop-other-change-gears-for', { name: r || text('shop-row', { n: i + 1 }) })}
                      placeholder={text('shop-other-gears')}
                      value={rowGears[i] ?? ''}
                      onChange={e => onText({ rowGears: changed(rowGears, i, e.currentTarget.value) })}
                    />
                  </td>
                )}
              </tr>
            </Fragment>
          ))}
        </tbody>
      </table>
      <div className="row">
        <button
          type="button"
          className="choice"
          onClick={() => onText({ rows: [...rows, String.fromCharCode(65 + (rows.length % 26))] })}
        >
          {text('shop-one-more-row')}
        </button>
        {rows.length > 1 && (
          <button type="button" className="choice" onClick={() => onText({ rows: rows.slice(0, -1) })}>
            {text('shop-one-row-less')}
          </button>
        )}
      </div>
    </div>
  );
}
