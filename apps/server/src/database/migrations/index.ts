import { FirstTables1764028800000 } from './0001-first-tables.js';
import { SexAndBattery1764032400000 } from './0002-sex-and-battery.js';
import { Measuring1795500000000 } from './0003-measuring.js';
import { Screening1795600000000 } from './0004-screening.js';
import { OwnExercises1795700000000 } from './0005-own-exercises.js';
import { Blocks1795800000000 } from './0006-blocks.js';
import { Sessions1796500000000 } from './0007-sessions.js';
import { Words1797000000000 } from './0008-words.js';
import { Facts1797100000000 } from './0009-facts.js';
import { RunsStay1797200000000 } from './0010-runs-stay.js';
import { Accounts1797300000000 } from './0011-accounts.js';
import { StudioSettings1797400000000 } from './0012-studio-settings.js';
import { Demands1797500000000 } from './0013-demands.js';
import { TakenBack1797600000000 } from './0014-taken-back.js';
import { Consent1797700000000 } from './0015-consent.js';
import { NerveGlides1797800000000 } from './0016-nerve-glides.js';
import { PlanBasis1797900000000 } from './0017-plan-basis.js';
import { AssessmentRecords1798000000000 } from './0018-assessment-records.js';
import { DayPlans1799000000000 } from './0019-day-plans.js';
import { FreeSessions1799100000000 } from './0020-free-sessions.js';
import { ItemParts1799200000000 } from './0021-item-parts.js';
import { Brisk1799300000000 } from './0022-brisk.js';
import { FeltForm1799400000000 } from './0023-felt-form.js';
import { Series1799500000000 } from './0024-series.js';
import { UntilEasy1799600000000 } from './0025-until-easy.js';
import { Pacing1799700000000 } from './0026-pacing.js';
import { DayRounds1799800000000 } from './0027-day-rounds.js';
import { Reviews1799900000000 } from './0028-reviews.js';
import { StandingReview1800000000000 } from './0029-standing-review.js';
import { CheckIns1800100000000 } from './0030-check-ins.js';
import { ReportLinks1800200000000 } from './0031-report-links.js';
import { Favourites1800300000000 } from './0032-favourites.js';
import { WeekLooks1800400000000 } from './0033-week-looks.js';
import { SessionIndexes1800500000000 } from './0034-session-indexes.js';

/** All schema changes, oldest first. */
export const MIGRATIONS = [
  FirstTables1764028800000,
  SexAndBattery1764032400000,
  Measuring1795500000000,
  Screening1795600000000,
  OwnExercises1795700000000,
  Blocks1795800000000,
  Sessions1796500000000,
  Words1797000000000,
  Facts1797100000000,
  RunsStay1797200000000,
  Accounts1797300000000,
  StudioSettings1797400000000,
  Demands1797500000000,
  TakenBack1797600000000,
  Consent1797700000000,
  NerveGlides1797800000000,
  PlanBasis1797900000000,
  AssessmentRecords1798000000000,
  DayPlans1799000000000,
  FreeSessions1799100000000,
  ItemParts1799200000000,
  Brisk1799300000000,
  FeltForm1799400000000,
  Series1799500000000,
  UntilEasy1799600000000,
  Pacing1799700000000,
  DayRounds1799800000000,
  Reviews1799900000000,
  StandingReview1800000000000,
  CheckIns1800100000000,
  ReportLinks1800200000000,
  Favourites1800300000000,
  WeekLooks1800400000000,
  SessionIndexes1800500000000,
];
