import type { SymptomBody } from '@yandle/contract';
import { feltExercise, isStopSign } from '@yandle/core';
import { IsNull } from 'typeorm';
import type { StudioData } from '../database/studio-data.js';
import { SymptomEntity } from './entities.js';

/** Something felt that is not cleared: as it was logged, or as it arrived late and waits for the coach to take it in. */
export type OpenSign = Pick<
  SymptomEntity,
  'id' | 'clientId' | 'sessionId' | 'exerciseId' | 'form' | 'side' | 'symptom' | 'feltAt' | 'createdAt' | 'clearedAt'
> & {
  /** True for one that waits with a late log: it holds at once, and is cleared once the log is taken in. */
  readonly late?: boolean;
};

interface LateSign {
  readonly id: string;
  readonly clientId: string;
  readonly sessionId: string | null;
  readonly exerciseId: string | null;
  readonly choice: string | null;
  /** JSON. */
  readonly body: string;
  readonly createdAt: Date;
}

// The exercise is that of the run where there is one, else of the session as the phone had it when it began.
const LATE = `SELECT l.target AS id, l.client_id AS clientId, COALESCE(z.id, b.target) AS sessionId, l.body, l.created_at AS createdAt,
    COALESCE(i.exercise_id, JSON_VALUE(b.body, CONCAT('$.snapshot.items[', JSON_VALUE(l.body, '$.item'), '].exerciseId'))) AS exerciseId,
    COALESCE(i.choice, JSON_VALUE(b.body, CONCAT('$.snapshot.items[', JSON_VALUE(l.body, '$.item'), '].choice'))) AS choice
  FROM late_log l
  LEFT JOIN late_log b ON b.client_id = l.client_id AND b.run_id = l.run_id AND b.kind = 'start'
  LEFT JOIN run r ON r.id = l.run_id
  LEFT JOIN session z ON z.id = r.session_id AND z.client_id = l.client_id
  LEFT JOIN session_item i ON i.session_id = z.id AND i.place = JSON_VALUE(l.body, '$.item')
  WHERE l.studio_id = {studio} AND l.kind = 'symptom' AND l.decided_at IS NULL`;

/** Stop signs that arrived after link or plan had ended: what was felt holds before anybody has looked at the log. */
async function lateStopSigns(data: StudioData, clientId: string | null): Promise<OpenSign[]> {
  const rows = await data.read<LateSign>(
    clientId === null ? LATE : `${LATE} AND l.client_id = :clientId`,
    clientId === null ? {} : { clientId },
  );
  return rows.flatMap((r): OpenSign[] => {
    const { symptom, side, at, form } = JSON.parse(r.body) as SymptomBody;
    if (!isStopSign(symptom) || r.exerciseId === null || r.sessionId === null) return [];
    const feltAt = at ? new Date(at) : null;
    const { id, sessionId, exerciseId, createdAt } = r;
    return [
      {
        id,
        clientId: r.clientId,
        sessionId,
        ...feltExercise({ exerciseId, choice: r.choice }, form ?? null),
        side,
        symptom,
        feltAt,
        createdAt,
        clearedAt: null,
        late: true,
      },
    ];
  });
}

/** Stop signs that no coach has cleared; of one client, or of all. */
export async function openStopSigns(data: StudioData, clientId: string | null): Promise<OpenSign[]> {
  const [logged, late] = await Promise.all([
    data.find(SymptomEntity, clientId === null ? { clearedAt: IsNull() } : { clientId, clearedAt: IsNull() }, {
      order: { createdAt: 'ASC' },
    }),
    lateStopSigns(data, clientId),
  ]);
  return [...logged.filter((s) => isStopSign(s.symptom)), ...late];
}
