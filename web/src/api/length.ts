import { api, inWords, unwrap } from './client';
import { text } from '../app/voice';

/** A length as typed, read by the core (3/8, .875 and 22 mm all serve), or what is wrong with it. */
export async function readLength(
  written: string,
  unit: 'mm' | 'in',
): Promise<{ mm: number; fault?: undefined } | { mm?: undefined; fault: string }> {
  try {
    const read = unwrap(await api.POST('/api/v1/length', { body: { text: written, unit } }));
    return read.mm === null || read.mm === undefined
      ? { fault: read.missing ?? text('parts-length') }
      : { mm: read.mm };
  } catch (error) {
    return { fault: inWords(error) };
  }
}
