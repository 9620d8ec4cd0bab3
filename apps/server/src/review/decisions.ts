import type { Block } from '@yandle/contract';
import { stepsBack, type LaneEased } from '@yandle/core';
import { IsNull, MoreThanOrEqual } from 'typeorm';
import type { StudioData } from '../database/studio-data.js';
import { ReviewEntity } from './entities.js';

/** Weeks that lanes of a running block stay or go down in, by what was decided in its reviews; those that have begun are in the plan already. */
export async function easedByReviews(data: StudioData, block: Block): Promise<LaneEased[]> {
  const rows = await data.find(ReviewEntity, {
    blockId: block.id,
    fromWeek: MoreThanOrEqual(block.changeableFrom),
    withdrawnAt: IsNull(),
  });
  return rows.flatMap((r): LaneEased[] => {
    const lane = block.lanes.find((l) => l.id === r.laneKey);
    const steps = stepsBack(r.move);
    return !lane || steps === null
      ? []
      : [{ group: lane.group, laneId: lane.id, week: r.fromWeek, steps, why: 'review' }];
  });
}
