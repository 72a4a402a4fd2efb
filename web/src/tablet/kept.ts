/** Where the last answers are kept on a tablet, and the mark of one that was: when the server gave it. */
export const KNOWN = 'known';
export const KEPT_AT = 'x-kept-at';
