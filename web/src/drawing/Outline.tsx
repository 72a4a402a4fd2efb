import { VisuallyHidden } from '@mantine/core';
import { useState } from 'react';
import type { Drawing } from '../api/client';
import { figure } from '../parts/Figure';
import { useUnit } from '../parts/unit';

type Shape = Drawing['shapes'][number];
const xy = (p: number[]): [number, number] => [p[0] ?? 0, -(p[1] ?? 0)];
const path = (line: number[][]) => line.map(p => xy(p).join(',')).join(' ');

/** Text with its middle at a point. */
function Text({ at, size, name, children }: { at: number[]; size: number; name?: string; children: string }) {
  const [x, y] = xy(at);
  return (
    <text className={name} x={x} y={y + size * 0.36} fontSize={size} textAnchor="middle">
      {children}
    </text>
  );
}

/** Round the figure of the dimension that has the focus. */
function Ring({ at, size, text }: { at: number[]; size: number; text: string }) {
  const [x, y] = xy(at);
  const wide = (text.length * 0.62 + 0.6) * size;
  return (
    <rect className="ring" x={x - wide / 2} y={y - size * 0.75} width={wide} height={size * 1.5} rx={size * 0.15} />
  );
}

/** A circle's teeth: one of them, turned as often as there are teeth. */
function toothed({ circle, teeth }: Shape): string {
  if (!circle || !teeth) return '';
  const step = (2 * Math.PI) / teeth.count;
  return Array.from({ length: teeth.count }, (_, i) => {
    const [cos, sin] = [Math.cos(step * i), Math.sin(step * i)];
    return path(teeth.tooth.map(([a = 0, b = 0]) => [circle.x + a * cos - b * sin, circle.y + a * sin + b * cos]));
  }).join(' ');
}

/** The part a shape belongs to: its own role says it; gears that hang are the train on the lathe. */
function partOf({ role, part }: Shape): string | undefined {
  return part ?? partOfRole(role);
}

function partOfRole(role: string): string | undefined {
  return role.startsWith('gear.') ? 'mounted' : role.startsWith('part.') ? role.split('.')[1] : undefined;
}

interface OutlineProps {
  drawing: Drawing;
  done?: ReadonlySet<string>;
  className?: string;
  onDimension?: (name: string) => void;
  /** A part was touched; the same must be reachable by key elsewhere on the screen. */
  onPart?: (part: string) => void;
  /** The part that is asked about. */
  asked?: string;
}

/** A drawing as part of what is chosen: small, and told by the words beside it. */
export function Seen({ drawing }: { drawing: Drawing }) {
  const [left = 0, bottom = 0, right = 1, top = 1] = drawing.bounds;
  return (
    <svg
      className="small-drawing"
      viewBox={`${left} ${-top} ${right - left} ${top - bottom}`}
      aria-hidden="true"
      preserveAspectRatio="xMidYMid meet"
    >
      <Lines drawing={drawing} />
    </svg>
  );
}

/** What is drawn of a drawing, without its words. */
export function Lines({
  drawing,
  done,
  onPart,
  asked,
}: Pick<OutlineProps, 'done' | 'onPart' | 'asked'> & { drawing: Pick<Drawing, 'shapes'> }) {
  return drawing.shapes.map((shape, i) => {
    if (shape.role.startsWith('word')) return null;
    const part = onPart && partOf(shape);
    const touch = part ? () => onPart(part) : undefined;
    const name = [
      touch && 'touchable',
      'shape',
      shape.role.replaceAll('.', '-'),
      shape.label && done?.has(shape.label) && 'is-done',
      asked && partOf(shape) === asked && 'is-asked',
    ]
      .filter(Boolean)
      .join(' ');
    if (shape.teeth) return <polygon key={i} className={name} points={toothed(shape)} onClick={touch} />;
    if (shape.circle) {
      const c = shape.circle;
      return <circle key={i} className={name} cx={c.x} cy={-c.y} r={c.r} onClick={touch} />;
    }
    const points = path(shape.line ?? []);
    return shape.closed ? (
      <polygon key={i} className={name} points={points} onClick={touch} />
    ) : (
      <polyline key={i} className={name} points={points} onClick={touch} />
    );
  });
}

/** Draws an outline of the core to scale: it maps mm to the screen and nothing else. */
export function Outline({ drawing, done, className, onDimension, onPart, asked }: OutlineProps) {
  const unit = useUnit();
  const [at, setAt] = useState<string | null>(null);
  const [left = 0, bottom = 0, right = 1, top = 1] = drawing.bounds;
  const [width, height] = [right - left, top - bottom];
  // One stored by an earlier version has no letters of its own.
  const size = (drawing.letter_mm as number | undefined) ?? Math.max(width / 33, height / 22);
  return (
    <figure className={`outline ${className ?? ''}`}>
      <svg
        viewBox={`${left} ${-top} ${width} ${height}`}
        role="img"
        aria-label={drawing.says}
        preserveAspectRatio="xMidYMid meet"
      >
        <Lines
          drawing={drawing}
          {...(done ? { done } : {})}
          {...(onPart ? { onPart } : {})}
          {...(asked ? { asked } : {})}
        />
        {drawing.shapes.map((shape, i) =>
          shape.role.startsWith('word') && shape.line?.[0] ? (
            <Text
              key={i}
              at={shape.line[0]}
              size={shape.letter_mm ?? size}
              name={`said said-${shape.role.replaceAll('.', '-')}`}
            >
              {shape.label ?? ''}
            </Text>
          ) : null,
        )}
        <g className="dimensions">
          {drawing.dimensions.map(d => (
            <g
              key={d.name}
              className={`${onDimension ? 'touched' : ''}${at === d.name ? ' at' : ''}`}
              onClick={onDimension ? () => onDimension(d.name) : undefined}
            >
              {at === d.name && <Ring at={d.at} size={size} text={`${d.sign ?? ''}${figure(d.figure, unit)}`} />}
              {d.lines?.map((line, i) => (
                <polyline key={i} points={path(line)} />
              ))}
              <Text at={d.at} size={size}>
                {`${d.sign ?? ''}${figure(d.figure, unit)}`}
              </Text>
            </g>
          ))}
        </g>
      </svg>
      <VisuallyHidden>
        <ul>
          {drawing.dimensions.map(d => {
            // Reached in order by Tab, and seen where it stands.
            const seen = { onFocus: () => setAt(d.name), onBlur: () => setAt(null) };
            const says = `${d.says}: ${figure(d.figure, unit)}`;
            return onDimension ? (
              <li key={d.name}>
                <button type="button" onClick={() => onDimension(d.name)} {...seen}>
                  {says}
                </button>
              </li>
            ) : (
              <li key={d.name} tabIndex={0} {...seen}>
                {says}
              </li>
            );
          })}
        </ul>
      </VisuallyHidden>
    </figure>
  );
}
