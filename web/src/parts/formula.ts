/** A formula as it is set in a book: what stands over what, under which root, raised how high. */
export type Node =
  | { kind: 'number'; text: string }
  | { kind: 'symbol'; name: string }
  | { kind: 'over'; top: Node; under: Node }
  | { kind: 'raised'; base: Node; by: Node }
  | { kind: 'call'; name: string; of: Node[] }
  | { kind: 'minus'; of: Node }
  | { kind: 'row'; op: '+' | '−' | '·'; left: Node; right: Node };

/** Reads a formula of the core: numbers, symbols, calls, `+ - * / ^` and parentheses. Null where it does not read. */
export function readFormula(text: string): Node | null {
  const tokens = text.match(/\d+(?:\.\d+)?|[A-Za-z]\w*|[-+*/^(),]|\S/g) ?? [];
  let at = 0;
  const next = () => tokens[at];
  const take = (token: string) => {
    if (tokens[at] !== token) throw new Error(`${token} expected`);
    at += 1;
  };
  const sum = (): Node => {
    let left = product();
    while (next() === '+' || next() === '-') {
      const op = tokens[at++] === '+' ? '+' : '−';
      left = { kind: 'row', op, left, right: product() };
    }
    return left;
  };
  const product = (): Node => {
    let left = power();
    while (next() === '*' || next() === '/') {
      const by = tokens[at++];
      const right = power();
      left = by === '/' ? { kind: 'over', top: left, under: right } : { kind: 'row', op: '·', left, right };
    }
    return left;
  };
  const power = (): Node => {
    if (next() === '-') {
      at += 1;
      return { kind: 'minus', of: power() };
    }
    const base = single();
    if (next() !== '^') return base;
    at += 1;
    return { kind: 'raised', base, by: power() };
  };
  const single = (): Node => {
    const token = tokens[at++];
    if (token === undefined) throw new Error('the end');
    if (/^\d/.test(token)) return { kind: 'number', text: token };
    if (token === '(') {
      const inner = sum();
      take(')');
      return inner;
    }
    if (!/^[A-Za-z]/.test(token)) throw new Error(token);
    if (next() !== '(') return { kind: 'symbol', name: token };
    at += 1;
    const of = [sum()];
    while (next() === ',') {
      at += 1;
      of.push(sum());
    }
    take(')');
    return { kind: 'call', name: token, of };
  };
  try {
    const whole = sum();
    return at === tokens.length ? whole : null;
  } catch {
    return null;
  }
}

/** How tightly a node holds together: what stands in one that holds tighter wears parentheses. */
const holds = (node: Node): number =>
  node.kind === 'row' ? (node.op === '·' ? 2 : 1) : node.kind === 'minus' ? 1 : node.kind === 'over' ? 3 : 4;

/** Whether a part must wear parentheses where something as tight as `least` is wanted. */
export const wears = (node: Node, least: number) => holds(node) < least;
