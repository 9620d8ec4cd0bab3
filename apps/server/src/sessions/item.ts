import type { SessionItem } from '@yandle/core';
import { boutFields } from '../database/bout-columns.js';
import type { SessionItemEntity } from './entities.js';

/** A row of a session as the computation knows it. */
export function sessionItem(row: SessionItemEntity): SessionItem {
  return {
    exerciseId: row.exerciseId,
    ...(row.technique === null ? {} : { technique: row.technique }),
    ...boutFields(row),
    firstSide: row.firstSide,
  };
}
