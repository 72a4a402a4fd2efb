/// <reference types="vite/client" />
import { describe, expect, it } from 'vitest';
import { type Node, readFormula, wears } from '../src/parts/formula';

/** Written back on one line with every parenthesis it needs, so that it can be reckoned. */
function flat(node: Node): string {
  const part = (of: Node, least: number) => (wears(of, least) ? `(${flat(of)})` : flat(of));
  switch (node.kind) {
    case 'number':
      return node.text;
    case 'symbol':
      return node.name;
    case 'over':
      return `((${flat(node.top)})/(${flat(node.under)}))`;
    case 'raised':
      return `(${part(node.base, 4)})**(${flat(node.by)})`;
    case 'minus':
      return `-${part(node.of, 2)}`;
    case 'call':
      return `${node.name}(${node.of.map(flat).join(',')})`;
    case 'row': {
      const op = { '+': '+', '−': '-', '·': '*' }[node.op];
      const [least, right] = node.op === '·' ? [2, 3] : [1, node.op === '−' ? 2 : 1];
      return `${part(node.left, least)}${op}${part(node.right, right)}`;
    }
  }
}

const VALUES = [0.731, 1.37, 2.11, 0.53, 3.7, 1.9, 0.29, 4.4, 0.83, 1.13];
const CALLS = `const {sqrt,cbrt,sin,cos,tan,atan,asin,acos,abs,max,min} = Math; const pi = Math.PI;`;

/** What an expression comes to, its symbols given figures in the order they are met. */
function worth(expression: string, names: string[]): number {
  const told = names.map((n, i) => `const ${n} = ${VALUES[i % VALUES.length]};`).join('');
  return new Function(`${CALLS}${told}return ${expression}`)() as number;
}

const RULES = import.meta.glob<string>('../../crates/*/src/**/rules.rs', {
  query: '?raw',
  import: 'default',
  eager: true,
});
const ALL = Object.values(RULES).flatMap(text =>
  [...text.matchAll(/-> \w+: \w+,\s*"([^"]+)"/g)].map(m => m[1] ?? ''),
);

describe('a formula set as in a book', () => {
  it('reads every formula of the core but tables, and keeps what it says', () => {
    const read = ALL.filter(f => !f.startsWith('table'));
    expect(read.length).toBeGreaterThan(100);
    for (const formula of read) {
      const node = readFormula(formula);
      expect(node, formula).not.toBeNull();
      const names = [...new Set(formula.match(/[A-Za-z]\w*(?!\w*\()/g) ?? [])].filter(n => n !== 'pi');
      const told = worth(formula.replaceAll('^', '**'), names);
      const set = worth(flat(node as Node), names);
      expect(Object.is(told, set) || Math.abs(told - set) < 1e-9 * Math.max(1, Math.abs(told)), formula).toBe(true);
    }
  });
  it('says nothing of what is none', () => {
    for (const text of ['2+', 'a b', '(x', 'f(,)', '']) expect(readFormula(text)).toBeNull();
  });
});
