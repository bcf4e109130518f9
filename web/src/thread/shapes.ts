import type { Bead } from '../api/types';

/** Width that a bead takes on the thread, in units of its drawing. */
export const BEAD_WIDTH: Record<Bead['kind'], number> = {
  TAKE_IN: 22,
  CHECK: 26,
  ATTEMPT: 46,
  HOLD: 34,
  RETURN: 24,
};

/**
 * Knots as the rope runs through 46 units, entering and leaving at height 0. A tight knot is drawn small and hard, a
 * loosened one wide with its loop open, an open one is nearly a straight rope again, a frayed one does not come out.
 */
export const KNOT_PATHS: Record<NonNullable<Bead['knot']>, string[]> = {
  WAITING: ['M0 0H14', 'M32 0H46', 'M14 0c4-9 14-9 18 0c-4 9-14 9-18 0'],
  TIGHT: [
    'M0 0H15',
    'M31 0H46',
    'M15 0c0-11 16-11 16 0c0 9-13 9-13 0c0-6 10-6 10 0c0 4-6 4-6 0',
    'M15 0c0 11 16 11 16 0',
  ],
  LOOSENED: ['M0 0C10 0 12-15 23-15C34-15 36-2 26 4C18 8 12 2 17-4C22-9 30 0 46 0'],
  OPEN: ['M0 0C9 0 13-5 23-5C33-5 37 0 46 0'],
  FRAYED: [
    'M0 0H22',
    'M22 0C28-2 32-9 38-12',
    'M22 0C29 0 34-3 41-4',
    'M22 0C29 1 34 5 40 6',
    'M22 0C27 3 30 9 35 12',
  ],
  UNTOLD: ['M0 0H13', 'M33 0H46', 'M13 0C17-6 29-6 33 0', 'M13 0C17 6 29 6 33 0'],
};
