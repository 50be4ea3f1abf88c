/** A machine file is not larger than this, bytes. Apart from the reader of files, which few pages need. */
export const MOST_BYTES = 1_000_000;
