import type { EntityTarget } from 'typeorm';
import {
  AssessmentChangeEntity,
  AssessmentEntity,
  BeightonEntity,
  PictureEntity,
  ReadingEntity,
  TestEventEntity,
} from '../assessments/entities.js';
import { BlockEntity, LaneEntity, PrescriptionEntity, RetestEntity, RevisionEntity } from '../blocks/entities.js';
import { CalendarLinkEntity } from '../calendar/entities.js';
import { ClientEntity } from '../clients/entities.js';
import { LateLogEntity, PhoneLinkEntity } from '../phone/entities.js';
import { CheckInEntity } from '../check-ins/entities.js';
import { GoalEntity, PrioritiesEntity, SelfReportEntity } from '../priorities/entities.js';
import { ClearanceEntity, ConsentEntity, IntakeEntity, IntakeLinkEntity } from '../screening/entities.js';
import type { StudioRow } from '../database/studio-data.js';
import {
  RunAnswerEntity,
  RunEntity,
  SessionEntity,
  SessionItemEntity,
  SetLogEntity,
  SorenessEntity,
  SymptomEntity,
} from '../sessions/entities.js';
import { ReportLinkEntity } from '../reports/entities.js';
import { ReviewEntity, WeekLookEntity } from '../review/entities.js';
import { RoutineEntity, RoutineVersionEntity } from '../routines/entities.js';

/** One table of what is kept of a client, and how a row of it leads to them. */
export interface Section {
  readonly name: string;
  readonly entity: EntityTarget<StudioRow>;
  /** Condition on the alias `r`, with `:clientId`. */
  readonly of: string;
  readonly order: string;
}

const ofClient = 'r.clientId = :clientId';
const through = (column: string, table: string) =>
  `r.${column} IN (SELECT x.id FROM ${table} x WHERE x.client_id = :clientId)`;
const throughRun =
  'r.runId IN (SELECT x.id FROM run x INNER JOIN session y ON y.id = x.session_id WHERE y.client_id = :clientId)';
const throughRevision =
  'r.revisionId IN (SELECT x.id FROM revision x INNER JOIN block y ON y.id = x.block_id WHERE y.client_id = :clientId)';
const throughLane =
  'r.laneId IN (SELECT x.id FROM lane x INNER JOIN revision y ON y.id = x.revision_id INNER JOIN block z ON z.id = y.block_id WHERE z.client_id = :clientId)';

/** All that is kept of a client, in the order of the path. A table that holds something of a client stands here: a test looks. */
export const SECTIONS: readonly Section[] = [
  { name: 'client', entity: ClientEntity, of: 'r.id = :clientId', order: 'r.id' },
  { name: 'intakes', entity: IntakeEntity, of: ofClient, order: 'r.createdAt' },
  { name: 'consents', entity: ConsentEntity, of: ofClient, order: 'r.createdAt' },
  { name: 'clearances', entity: ClearanceEntity, of: ofClient, order: 'r.createdAt' },
  { name: 'assessments', entity: AssessmentEntity, of: ofClient, order: 'r.date' },
  {
    name: 'assessmentChanges',
    entity: AssessmentChangeEntity,
    of: through('assessmentId', 'assessment'),
    order: 'r.createdAt',
  },
  { name: 'readings', entity: ReadingEntity, of: through('assessmentId', 'assessment'), order: 'r.createdAt' },
  { name: 'testEvents', entity: TestEventEntity, of: through('assessmentId', 'assessment'), order: 'r.createdAt' },
  { name: 'beighton', entity: BeightonEntity, of: through('assessmentId', 'assessment'), order: 'r.createdAt' },
  { name: 'pictures', entity: PictureEntity, of: through('assessmentId', 'assessment'), order: 'r.createdAt' },
  { name: 'goals', entity: GoalEntity, of: ofClient, order: 'r.createdAt' },
  { name: 'checkIns', entity: CheckInEntity, of: ofClient, order: 'r.createdAt' },
  { name: 'selfReports', entity: SelfReportEntity, of: ofClient, order: 'r.createdAt' },
  { name: 'priorities', entity: PrioritiesEntity, of: 'r.id = :clientId', order: 'r.id' },
  { name: 'blocks', entity: BlockEntity, of: ofClient, order: 'r.startDate' },
  { name: 'revisions', entity: RevisionEntity, of: through('blockId', 'block'), order: 'r.createdAt' },
  { name: 'lanes', entity: LaneEntity, of: throughRevision, order: 'r.id' },
  { name: 'prescriptions', entity: PrescriptionEntity, of: throughLane, order: 'r.id' },
  { name: 'reviews', entity: ReviewEntity, of: through('blockId', 'block'), order: 'r.createdAt' },
  { name: 'weekLooks', entity: WeekLookEntity, of: through('blockId', 'block'), order: 'r.lookedAt' },
  { name: 'retests', entity: RetestEntity, of: through('blockId', 'block'), order: 'r.date' },
  { name: 'routines', entity: RoutineEntity, of: ofClient, order: 'r.createdAt' },
  {
    name: 'routineVersions',
    entity: RoutineVersionEntity,
    of: through('routineId', 'routine'),
    order: 'r.createdAt',
  },
  { name: 'sessions', entity: SessionEntity, of: ofClient, order: 'r.date' },
  { name: 'sessionItems', entity: SessionItemEntity, of: through('sessionId', 'session'), order: 'r.place' },
  { name: 'runs', entity: RunEntity, of: through('sessionId', 'session'), order: 'r.startedAt' },
  { name: 'setLogs', entity: SetLogEntity, of: throughRun, order: 'r.createdAt' },
  { name: 'runAnswers', entity: RunAnswerEntity, of: throughRun, order: 'r.createdAt' },
  { name: 'symptoms', entity: SymptomEntity, of: ofClient, order: 'r.createdAt' },
  { name: 'soreness', entity: SorenessEntity, of: ofClient, order: 'r.createdAt' },
  { name: 'lateLogs', entity: LateLogEntity, of: ofClient, order: 'r.createdAt' },
  { name: 'intakeLinks', entity: IntakeLinkEntity, of: ofClient, order: 'r.createdAt' },
  { name: 'reportLinks', entity: ReportLinkEntity, of: ofClient, order: 'r.createdAt' },
  { name: 'phoneLinks', entity: PhoneLinkEntity, of: ofClient, order: 'r.createdAt' },
  { name: 'calendarLinks', entity: CalendarLinkEntity, of: ofClient, order: 'r.createdAt' },
];
