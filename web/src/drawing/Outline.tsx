import { VisuallyHidden } from '@mantine/core';
import type { Drawing } from '../api/client';
import { figure } from '../parts/Figure';
import { useUnit } from '../parts/unit';

type Dimension = Drawing['dimensions'][number];
type Circle = NonNullable<Drawing['shapes'][number]['circle']>;
const xy = (p: number[]): [number, number] => [p[0] ?? 0, -(p[1] ?? 0)];

/** An arc with a head along a gear's edge, showing which way it turns. */
function Turning({ circle }: { circle: Circle }) {
  const turns = circle.turns ?? 0;
  const r = circle.r * 0.8;
  const [from, to] = [-2.5, -0.9];
  const point = (a: number) => [circle.x + r * Math.cos(a), -circle.y + r * Math.sin(a)] as const;
  const [x1, y1] = point(from);
  const [x2, y2] = point(to);
  // On screen y grows downward, so rising angles run clockwise.
  const clockwise = turns < 0;
  const [hx, hy, ha] = clockwise ? [x2, y2, to + Math.PI / 2] : [x1, y1, from - Math.PI / 2];
  const s = Math.max(circle.r * 0.11, 3);
  const head = [0, 2.5, -2.5].map(t => `${hx + s * Math.cos(ha + t)},${hy + s * Math.sin(ha + t)}`).join(' ');
  return (
    <g className="turning">
      <path d={`M ${x1} ${y1} A ${r} ${r} 0 0 1 ${x2} ${y2}`} />
      <polygon points={head} />
    </g>
  );
}

function Dim({ dim, text, size }: { dim: Dimension; text: string; size: number }) {
  const [x1, y1] = xy(dim.from);
  const [x2, y2] = xy(dim.to);
  const vertical = Math.abs(x1 - x2) < 1e-6;
  const point = vertical && Math.abs(y1 - y2) < 1e-6;
  const tick = size * 0.35;
  const label = `${text}`;
  if (point) {
    return (
      <text x={x1 + size * 0.3} y={y1 + size * 0.35} fontSize={size}>
        {label}
      </text>
    );
  }
  return (
    <g>
      <line x1={x1} y1={y1} x2={x2} y2={y2} />
      {vertical ? (
        <>
          <line x1={x1 - tick} x2={x1 + tick} y1={y1} y2={y1} />
          <line x1={x2 - tick} x2={x2 + tick} y1={y2} y2={y2} />
          {/* Off the middle, where the axis runs. */}
          <text x={x1 + size * 0.45} y={y2 + (y1 - y2) * 0.36} fontSize={size}>
            {label}
          </text>
        </>
      ) : (
        <>
          <line x1={x1} x2={x1} y1={y1 - tick} y2={y1 + tick} />
          <line x1={x2} x2={x2} y1={y2 - tick} y2={y2 + tick} />
          <text x={(x1 + x2) / 2} y={y1 - size * 0.45} fontSize={size} textAnchor="middle">
            {label}
          </text>
        </>
      )}
    </g>
  );
}

/** Radius shafts are drawn at, at most, mm. */
const HUB = 10;

/** Tooth counts, over all the circles; two gears on one stud carry theirs side by side. */
function Counts({ drawing, size }: { drawing: Drawing; size: number }) {
  const gears = drawing.shapes.filter(s => s.role.startsWith('gear') || s.role.startsWith('dial.number'));
  return gears.map((shape, i) => {
    const c = shape.circle;
    if (!c) return null;
    const shared = gears.some(o => o !== shape && o.circle?.x === c.x && o.circle.y === c.y);
    const aside = shared ? (shape.role.endsWith('outer') ? 1 : -1) : 0;
    const onDial = shape.role.startsWith('dial');
    const letter = onDial ? c.r * 2.2 : Math.min(Math.max(size, c.r * 0.3), size * 1.7);
    // A number round a dial stands on its place; a gear's count below its hub, however small the gear.
    const under = onDial
      ? letter * 0.35
      : shared
        ? letter * 1.7
        : Math.max(c.r * 0.55, Math.min(c.r * 0.9, HUB + letter * 0.95));
    return (
      <text
        key={i}
        className={`count ${shape.role.replaceAll('.', '-')}`}
        x={c.x + aside * letter * 1.35}
        y={-c.y + under}
        fontSize={letter}
        textAnchor="middle"
      >
        {shape.label}
      </text>
    );
  });
}

/** Words that stand at a point of the drawing: over it, or beside it. */
function Words({ drawing, size }: { drawing: Drawing; size: number }) {
  return drawing.shapes.map((shape, i) => {
    const at = shape.role.startsWith('word') ? shape.line?.[0] : undefined;
    if (!at) return null;
    const [x, y] = xy(at);
    return (
      <text
        key={i}
        className="said"
        x={x}
        y={y}
        fontSize={size * 0.62}
        textAnchor={shape.role === 'word.beside' ? 'start' : 'middle'}
      >
        {shape.label}
      </text>
    );
  });
}

/** The part a shape belongs to: its own role says it; gears that hang are the train on the lathe. */
function partOf(role: string): string | undefined {
  return role.startsWith('gear.') ? 'mounted' : role.startsWith('part.') ? role.split('.')[1] : undefined;
}

interface OutlineProps {
  drawing: Drawing;
  done?: ReadonlySet<string>;
  className?: string;
  onDimension?: (name: string) => void;
  /** A part was touched; the same must be reachable by key elsewhere on the screen. */
  onPart?: (part: string) => void;
}

/** Draws an outline of the core to scale: it maps mm to the screen and nothing else. */
export function Outline({ drawing, done, className, onDimension, onPart }: OutlineProps) {
  const unit = useUnit();
  const [left = 0, bottom = 0, right = 1, top = 1] = drawing.bounds;
  const [width, height] = [right - left, top - bottom];
  const size = Math.max(width / 33, height / 22);
  return (
    <figure className={`outline ${className ?? ''}`}>
      <svg
        viewBox={`${left} ${-top} ${width} ${height}`}
        role="img"
        aria-label={drawing.says}
        preserveAspectRatio="xMidYMid meet"
      >
        {drawing.shapes.map((shape, i) => {
          if (shape.role.startsWith('word')) return null;
          const part = onPart && partOf(shape.role);
          const touch = part ? () => onPart(part) : undefined;
          const name = `${touch ? 'touchable ' : ''}shape ${shape.role.replaceAll('.', '-')}${shape.label && done?.has(shape.label) ? ' is-done' : ''}`;
          if (shape.circle) {
            const c = shape.circle;
            return (
              <g key={i} className={name} onClick={touch}>
                <circle cx={c.x} cy={-c.y} r={c.r} />
                {c.turns ? <Turning circle={c} /> : null}
              </g>
            );
          }
          const points = shape.line?.map(p => xy(p).join(',')).join(' ');
          return shape.closed ? (
            <polygon key={i} className={name} points={points} onClick={touch} />
          ) : (
            <polyline key={i} className={name} points={points} onClick={touch} />
          );
        })}
        <Counts drawing={drawing} size={size} />
        <Words drawing={drawing} size={size} />
        <g className="dimensions">
          {drawing.dimensions.map(d => (
            <g
              key={d.name}
              className={onDimension ? 'touched' : undefined}
              onClick={onDimension ? () => onDimension(d.name) : undefined}
            >
              <Dim dim={d} text={`${d.name.endsWith('_corner') ? 'R ' : ''}${figure(d.figure, unit)}`} size={size} />
            </g>
          ))}
        </g>
      </svg>
      <VisuallyHidden>
        <ul>
          {drawing.dimensions.map(d => (
            <li key={d.name}>
              {onDimension ? (
                <button type="button" onClick={() => onDimension(d.name)}>
                  {d.says}: {figure(d.figure, unit)}
                </button>
              ) : (
                `${d.says}: ${figure(d.figure, unit)}`
              )}
            </li>
          ))}
        </ul>
      </VisuallyHidden>
    </figure>
  );
}
