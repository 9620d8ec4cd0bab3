import { AuthSessionEntity, CoachEntity, StudioEntity } from '../accounts/entities.js';
import { AssessmentEntity, TrialEntity } from '../assessments/entities.js';
import { LaneEntity, PrescriptionEntity, ProgrammeEntity, RetestEntity, RevisionEntity } from '../blocks/entities.js';
import { ClientEntity } from '../clients/entities.js';
import { RunEntity, SessionEntity, SessionItemEntity, SetLogEntity, SymptomEntity } from '../sessions/entities.js';

/** All tables, referenced ones first. */
export const ENTITIES = [
  StudioEntity,
  CoachEntity,
  AuthSessionEntity,
  ClientEntity,
  AssessmentEntity,
  TrialEntity,
  ProgrammeEntity,
  RevisionEntity,
  LaneEntity,
  PrescriptionEntity,
  RetestEntity,
  SessionEntity,
  SessionItemEntity,
  RunEntity,
  SetLogEntity,
  SymptomEntity,
];
