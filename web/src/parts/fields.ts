/** How one field of a thing is told. */
export type Field =
  | {
      kind: 'text' | 'number' | 'ratio' | 'length' | 'numbers' | 'teeth' | 'speeds';
      at: string;
      says: string;
      how?: string;
    }
  | { kind: 'choice'; at: string; says: string; choices: { says: string; value: unknown }[] };

/** What stands at a place such as `arm.slot_reach_mm.0`. */
export function at(whole: object, place: string): unknown {
  return place
    .split('.')
    .reduce<unknown>(
      (node, key) => (node && typeof node === 'object' ? (node as Record<string, unknown>)[key] : undefined),
      whole,
    );
}

/** The change that puts `value` there; both ends of a pair go together, so the other end is kept. */
export function put(patch: Record<string, unknown>, whole: object, place: string, value: unknown): void {
  const keys = place.split('.');
  const last = keys.pop() ?? '';
  if (/^\d$/.test(last)) {
    const list = [...((at({ ...whole, ...patch }, keys.join('.')) as unknown[] | undefined) ?? [])];
    list[Number(last)] = value;
    put(patch, whole, keys.join('.'), list.every(v => v === null || v === undefined) ? null : list);
    return;
  }
  const node = keys.reduce<Record<string, unknown>>((n, key) => (n[key] ??= {}) as Record<string, unknown>, patch);
  node[last] = value;
}
