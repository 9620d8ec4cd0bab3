import { AuthSessionEntity, CoachEntity, StudioEntity } from '../accounts/entities.js';
import {
  AssessmentEntity,
  BeightonEntity,
  PictureEntity,
  TrialEntity,
  VisitEventEntity,
} from '../assessments/entities.js';
import { LaneEntity, PrescriptionEntity, ProgrammeEntity, RetestEntity, RevisionEntity } from '../blocks/entities.js';
import { CalendarLinkEntity } from '../calendar/entities.js';
import { ClientEntity } from '../clients/entities.js';
import { OwnExerciseEntity, OwnExerciseVersionEntity } from '../exercises/entities.js';
import { FeltEntity, FocusEntity, GoalEntity } from '../focus/entities.js';
import {
  DayNoteEntity,
  RunAnswerEntity,
  RunEntity,
  SessionEntity,
  SessionItemEntity,
  SetLogEntity,
  SymptomEntity,
} from '../sessions/entities.js';
import { LateLetterEntity, ShareLinkEntity } from '../share/entities.js';
import { ClearanceEntity, IntakeEntity, IntakeLinkEntity } from '../screening/entities.js';
import { OwnStyleEntity, OwnStyleVersionEntity } from '../styles/entities.js';
import { OwnTemplateEntity } from '../templates/entities.js';
import { OwnBatteryEntity, OwnErrorEntity, OwnTestEntity, StudyEntity } from '../test-book/entities.js';

/** All tables, referenced ones first. */
export const ENTITIES = [
  StudioEntity,
  CoachEntity,
  AuthSessionEntity,
  ClientEntity,
  IntakeEntity,
  ClearanceEntity,
  IntakeLinkEntity,
  AssessmentEntity,
  TrialEntity,
  VisitEventEntity,
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
  FeltEntity,
  FocusEntity,
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
  RunAnswerEntity,
  DayNoteEntity,
  ShareLinkEntity,
  LateLetterEntity,
];
