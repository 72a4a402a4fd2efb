/** A length as it is typed back: in mm whatever the display unit, so that nothing is lost in between. */
export const typed = (mm: number | null | undefined, unit: 'mm' | 'in') => (mm == null ? '' : unit === 'in' ? `${mm} mm` : String(mm));

/** A figure without its unit, to begin an edit from. */
export const bare = (text: string) => text.replace(/ .*/, '');

/** The beginning of a sentence. */
export const cap = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
