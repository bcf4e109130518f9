import { v7 } from 'uuid';

/** A key made here, so that a write sent twice has one effect. */
export function newId(): string {
  return v7();
}
