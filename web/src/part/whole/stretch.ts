import type { PartSheet, PlanRequest } from '../../api/client';

export type Piece = PartSheet['pieces'][number];
export type Stretch = Piece['stretches'][number];
export type Plain = NonNullable<NonNullable<PlanRequest['blank']>['plain']>[number];

/** What is told, without what was taken away. */
export const kept = (plain: Plain): Plain => Object.fromEntries(Object.entries(plain).filter(([, v]) => v != null));
