/** A scanner types faster than a hand: the signs of one scan come within this time of each other, ms. */
export const SCAN_GAP_MS = 60;
