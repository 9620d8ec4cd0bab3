import { AccountLinkEntity, AuthSessionEntity, CoachEntity, StudioEntity } from '../accounts/entities.js';
import {
  AssessmentChangeEntity,
  AssessmentEntity,
  BeightonEntity,
  PictureEntity,
  ReadingEntity,
  TestEventEntity,
} from '../assessments/entities.js';
import { AuditEntryEntity } from '../audit/entities.js';
import { LaneEntity, PrescriptionEntity, BlockEntity, RetestEntity, RevisionEntity } from '../blocks/entities.js';
import { CalendarLinkEntity } from '../calendar/entities.js';
import { ClientEntity } from '../clients/entities.js';
import { InclinometerEntity } from '../devices/entities.js';
import { OwnExerciseEntity, OwnExerciseVersionEntity } from '../exercises/entities.js';
import { AttemptEntity } from '../limits/entities.js';
import { CheckInEntity } from '../check-ins/entities.js';
import { SelfReportEntity, PrioritiesEntity, GoalEntity } from '../priorities/entities.js';
import {
  SorenessEntity,
  RunAnswerEntity,
  RunEntity,
  SessionEntity,
  SessionItemEntity,
  SetLogEntity,
  SymptomEntity,
} from '../sessions/entities.js';
import { LateLogEntity, PhoneLinkEntity } from '../phone/entities.js';
import { ErasedClientEntity } from '../privacy/entities.js';
import { ClearanceEntity, ConsentEntity, IntakeEntity, IntakeLinkEntity } from '../screening/entities.js';
import { ReportLinkEntity } from '../reports/entities.js';
import { ReviewEntity, WeekLookEntity } from '../review/entities.js';
import { RoutineEntity, RoutineVersionEntity, SeriesEntity } from '../routines/entities.js';
import { OwnStyleEntity, OwnStyleVersionEntity } from '../styles/entities.js';
import { OwnTemplateEntity } from '../templates/entities.js';
import { OwnBatteryEntity, OwnErrorEntity, OwnTestEntity, StudyEntity } from '../test-catalogue/entities.js';

/** All tables, referenced ones first. */
export const ENTITIES = [
  StudioEntity,
  CoachEntity,
  AuthSessionEntity,
  AccountLinkEntity,
  AuditEntryEntity,
  AttemptEntity,
  InclinometerEntity,
  ClientEntity,
  ErasedClientEntity,
  IntakeEntity,
  ClearanceEntity,
  ConsentEntity,
  IntakeLinkEntity,
  AssessmentEntity,
  AssessmentChangeEntity,
  ReadingEntity,
  TestEventEntity,
  BeightonEntity,
  PictureEntity,
  OwnTestEntity,
  OwnBatteryEntity,
  OwnExerciseEntity,
  OwnExerciseVersionEntity,
  OwnStyleEntity,
  OwnStyleVersionEntity,
  OwnTemplateEntity,
  CalendarLinkEntity,
  StudyEntity,
  OwnErrorEntity,
  GoalEntity,
  SelfReportEntity,
  CheckInEntity,
  PrioritiesEntity,
  BlockEntity,
  RevisionEntity,
  LaneEntity,
  PrescriptionEntity,
  RetestEntity,
  RoutineEntity,
  RoutineVersionEntity,
  SeriesEntity,
  SessionEntity,
  SessionItemEntity,
  RunEntity,
  SetLogEntity,
  SymptomEntity,
  RunAnswerEntity,
  SorenessEntity,
  ReviewEntity,
  WeekLookEntity,
  PhoneLinkEntity,
  ReportLinkEntity,
  LateLogEntity,
];
