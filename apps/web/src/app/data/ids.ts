import { v7 } from 'uuid';

/** A new id, ordered by time. Made here, so that sending something twice creates it once. */
export function newId(): string {
  return v7();
}
