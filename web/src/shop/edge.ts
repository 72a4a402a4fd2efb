import type { OwnedBit } from '../api/client';
import { text } from '../app/voice';

const EDGE = { sharp: 'shop-sharp', worn: 'shop-worn', broken: 'shop-broken', lent: 'shop-lent' } as const;

/** What a tool’s edge is, in a word. */
export const edge = (condition: OwnedBit['condition']) => text(EDGE[condition ?? 'sharp']);
