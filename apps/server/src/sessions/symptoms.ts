import { isStopSign } from '@yandle/core';
import { IsNull } from 'typeorm';
import type { StudioData } from '../database/studio-data.js';
import { SymptomEntity } from './entities.js';

/** Stop signs of a client that no coach has cleared. */
export async function openStopSigns(data: StudioData, clientId: string): Promise<SymptomEntity[]> {
  const open = await data.find(SymptomEntity, { clientId, clearedAt: IsNull() }, { order: { createdAt: 'ASC' } });
  return open.filter((s) => isStopSign(s.symptom));
}
