import { Fragment, type ReactNode } from 'react';
import { type Node, readFormula, wears } from './formula';

const GREEK: Record<string, string> = {
  alpha: 'α',
  beta: 'β',
  gamma: 'γ',
  lambda: 'λ',
  rho: 'ρ',
  theta: 'θ',
  pi: 'π',
};
/** Functions written without parentheses where what they are of is one thing, as they are printed. */
const OF_AN_ANGLE: Record<string, string> = {
  sin: 'sin',
  cos: 'cos',
  tan: 'tan',
  atan: 'arctan',
  asin: 'arcsin',
  acos: 'arccos',
};

/** A symbol as it is printed: Greek by its letter. */
export const symbol = (name: string) => GREEK[name] ?? name;

interface Shown {
  /** What stands for a symbol: the symbol itself, or its figure. */
  of?: (name: string) => string | undefined;
  /** The symbol pointed at, lit wherever it stands. */
  lit?: string | null;
  onLit?: (name: string | null) => void;
}

function worn(node: Node, least: number, how: Shown): ReactNode {
  const inner = set(node, how);
  return wears(node, least) ? (
    <mrow>
      <mo>(</mo>
      {inner}
      <mo>)</mo>
    </mrow>
  ) : (
    inner
  );
}

function set(node: Node, how: Shown): ReactNode {
  switch (node.kind) {
    case 'number':
      return <mn>{node.text}</mn>;
    case 'symbol': {
      const figure = how.of?.(node.name);
      const lights = {
        className: how.lit === node.name ? 'lit' : undefined,
        onPointerEnter: () => how.onLit?.(node.name),
        onPointerLeave: () => how.onLit?.(null),
      };
      if (figure === undefined) return <mi {...lights}>{symbol(node.name)}</mi>;
      const number = <mn {...lights}>{figure.replace('-', '−')}</mn>;
      // Less than nought, it stands apart from the sign before it.
      return figure.startsWith('-') ? (
        <mrow>
          <mo>(</mo>
          {number}
          <mo>)</mo>
        </mrow>
      ) : (
        number
      );
    }
    case 'over':
      return (
        <mfrac>
          <mrow>{set(node.top, how)}</mrow>
          <mrow>{set(node.under, how)}</mrow>
        </mfrac>
      );
    case 'raised': {
      const { base } = node;
      // A power of a sine is written on its name.
      const [angle] = base.kind === 'call' ? base.of : [];
      if (base.kind === 'call' && angle && base.name in OF_AN_ANGLE) return ofAnAngle(base.name, angle, how, node.by);
      return (
        <msup>
          <mrow>{worn(base, 4, how)}</mrow>
          <mrow>{set(node.by, how)}</mrow>
        </msup>
      );
    }
    case 'minus':
      return (
        <mrow>
          <mo>−</mo>
          {worn(node.of, 2, how)}
        </mrow>
      );
    case 'row':
      return (
        <mrow>
          {worn(node.left, node.op === '·' ? 2 : 1, how)}
          <mo>{node.op}</mo>
          {worn(node.right, node.op === '·' ? 3 : node.op === '−' ? 2 : 1, how)}
        </mrow>
      );
    case 'call':
      return called(node.name, node.of, how);
  }
}

/** A sine or its kin, raised on its name where it is. */
function ofAnAngle(name: string, angle: Node, how: Shown, by?: Node): ReactNode {
  const says = <mi>{OF_AN_ANGLE[name]}</mi>;
  return (
    <mrow>
      {by ? (
        <msup>
          {says}
          <mrow>{set(by, how)}</mrow>
        </msup>
      ) : (
        says
      )}
      <mspace width="0.17em" />
      {worn(angle, 4, how)}
    </mrow>
  );
}

function called(name: string, of: Node[], how: Shown): ReactNode {
  const [first] = of;
  if (first && name === 'sqrt') return <msqrt>{set(first, how)}</msqrt>;
  if (first && name === 'cbrt')
    return (
      <mroot>
        <mrow>{set(first, how)}</mrow>
        <mn>3</mn>
      </mroot>
    );
  if (first && name === 'abs')
    return (
      <mrow>
        <mo stretchy="true">|</mo>
        {set(first, how)}
        <mo stretchy="true">|</mo>
      </mrow>
    );
  if (first && name in OF_AN_ANGLE) return ofAnAngle(name, first, how);
  return (
    <mrow>
      <mi>{name}</mi>
      <mo>(</mo>
      {of.map((part, i) => (
        <Fragment key={i}>
          {i > 0 && <mo separator="true">,</mo>}
          {set(part, how)}
        </Fragment>
      ))}
      <mo>)</mo>
    </mrow>
  );
}

/** A formula set as in a book, or its own text where it is none. */
export function Formula({ text, left, ...how }: { text: string; left?: string } & Shown) {
  const node = readFormula(text);
  return (
    <math className="set">
      {left !== undefined && <mi>{symbol(left)}</mi>}
      <mo>=</mo>
      {node ? set(node, how) : <mtext>{text}</mtext>}
    </math>
  );
}
