import type { Whose } from '@yandle/contract';
import type { PlainDate } from '@yandle/core';
import { CoachEntity } from '../accounts/entities.js';
import type { StudioData } from '../database/studio-data.js';

/**
 * Coaches whose clients are meant: oneself and those one stands in for today; null for everybody's.
 * @param me id of the coach who asks
 */
export async function leadsMeant(
  data: StudioData,
  whose: Whose,
  me: string,
  today: PlainDate,
): Promise<readonly string[] | null> {
  if (whose === 'all') return null;
  const away = await data
    .rows(CoachEntity, 'k')
    .select('k.id', 'id')
    .andWhere('k.standInId = :me AND k.standInUntil >= :today', { me, today })
    .getRawMany<{ id: string }>();
  return [me, ...away.map((c) => c.id)];
}
