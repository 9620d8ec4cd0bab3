import type { Block } from '@yandle/contract';
import { addDays, endOfBlock, type PlainDate } from '@yandle/core';
import type { StudioData } from '../database/studio-data.js';
import { invalidField, notFound } from '../http/problem.js';
import { BlockEntity, RetestEntity } from './entities.js';
import { blockView } from './view.js';

/** A retest lies this near to its block. Common practice, no source. */
const NEAR_DAYS = 14;

/** Puts a retest on another day; later changes of the plan leave it there. Sending it again changes nothing. */
export async function moveRetest(
  data: StudioData,
  blockId: string,
  week: number,
  date: PlainDate,
  today: PlainDate,
): Promise<Block> {
  return data.transaction(async (tx) => {
    const block = await tx.getLocked(BlockEntity, blockId, 'block');
    const retest = await tx.findOne(RetestEntity, { blockId, week });
    if (!retest) throw notFound('retest');
    const [from, to] = [
      addDays(block.startDate, -NEAR_DAYS),
      addDays(endOfBlock(block.startDate, block.weeks), NEAR_DAYS),
    ];
    if (date < from || date > to) throw invalidField('date', `Choose a day from ${from} to ${to}, near the block.`);
    if (date !== retest.date) await tx.update(RetestEntity, { id: retest.id }, { date, moved: true });
    return blockView(tx, block, today);
  });
}
