import { HttpClient } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import type {
  AdoptErrorBody,
  Assessment,
  Block,
  CalendarLink,
  ClearSymptomBody,
  Client,
  ClientListItem,
  ClearanceBody,
  ConsentBody,
  ClientPath,
  CreateAssessmentBody,
  CreateBlockBody,
  CreateClientBody,
  SelfReportBody,
  PrioritiesBody,
  FileImport,
  FillIn,
  PrioritiesView,
  GoalBody,
  Soreness,
  SorenessBody,
  EditAnswersBody,
  EditSessionBody,
  ExerciseFile,
  ExerciseImport,
  ExerciseVersion,
  Health,
  InclinometerView,
  IntakeBody,
  Me,
  DecideLateBody,
  LateLog,
  NewPhoneLink,
  ClientRoutineFit,
  CreateSeriesBody,
  CreateSessionsBody,
  FitRoutineBody,
  OwnRoutine,
  OwnRoutineBody,
  OwnSeries,
  OwnSeriesBody,
  RoutineVersion,
  OwnBattery,
  OwnBatteryBody,
  OwnError,
  MyExercises,
  OwnExercise,
  OwnExerciseBody,
  OwnStyle,
  OwnStyleBody,
  OwnTemplate,
  OwnTemplateBody,
  OwnTest,
  OwnTestBody,
  Page,
  PlanningView,
  Progress,
  RemovedAssessment,
  Revision,
  RevisionSummary,
  ScreeningView,
  Session,
  SwapComing,
  SwapComingBody,
  SessionSummary,
  SetupBody,
  SignInBody,
  Study,
  StyleVersion,
  StudyBody,
  PhoneLink,
  SymptomReport,
  TestCatalogueView,
  Today,
  Whose,
  UpdateBlockBody,
  UpdateClientBody,
  DaySession,
  DecideReviewBody,
  CheckIn,
  NewReportLink,
  Report,
  ClientReview,
  WeekReview,
} from '@yandle/contract';
import type { QuestionId, InclinometerSettings, ReadingHabits, Pacing, Side } from '@yandle/core';
import type { Observable } from 'rxjs';

export const V1 = '/api/v1';

/** Every request the application makes, one method each. Streams emit once and complete; errors are HttpErrorResponse. */
@Injectable({ providedIn: 'root' })
export class Api {
  private readonly http = inject(HttpClient);

  health(): Observable<Health> {
    return this.http.get<Health>(`${V1}/health`);
  }
  setup(body: SetupBody): Observable<unknown> {
    return this.http.post(`${V1}/setup`, body);
  }
  signIn(body: SignInBody): Observable<unknown> {
    return this.http.post(`${V1}/sign-in`, body);
  }
  signOut(): Observable<unknown> {
    return this.http.post(`${V1}/sign-out`, {});
  }
  me(): Observable<Me> {
    return this.http.get<Me>(`${V1}/me`);
  }
  today(whose: Whose): Observable<Today> {
    return this.http.get<Today>(`${V1}/today`, { params: { whose } });
  }
  sessionsOfDay(whose: Whose, date: string): Observable<DaySession[]> {
    return this.http.get<DaySession[]>(`${V1}/today/sessions`, { params: { whose, date } });
  }
  clients(query: {
    search?: string;
    archived?: boolean;
    cursor?: string;
    limit?: number;
    whose?: Whose;
  }): Observable<Page<ClientListItem>> {
    return this.http.get<Page<ClientListItem>>(`${V1}/clients`, { params: { ...query } });
  }
  client(id: string): Observable<ClientPath> {
    return this.http.get<ClientPath>(`${V1}/clients/${id}`);
  }
  createClient(body: CreateClientBody): Observable<Client> {
    return this.http.post<Client>(`${V1}/clients`, body);
  }
  updateClient(id: string, body: UpdateClientBody): Observable<Client> {
    return this.http.put<Client>(`${V1}/clients/${id}`, body);
  }
  archiveClient(id: string, version: number): Observable<Client> {
    return this.http.post<Client>(`${V1}/clients/${id}/archive`, { version });
  }
  restoreClient(id: string, version: number): Observable<Client> {
    return this.http.post<Client>(`${V1}/clients/${id}/restore`, { version });
  }
  removedAssessments(clientId: string): Observable<RemovedAssessment[]> {
    return this.http.get<RemovedAssessment[]>(`${V1}/clients/${clientId}/assessments/removed`);
  }

  setAssessmentRemoved(id: string, removed: boolean): Observable<Assessment> {
    return this.http.put<Assessment>(`${V1}/assessments/${id}/removed`, { removed });
  }

  eraseAssessment(id: string): Observable<void> {
    return this.http.delete<void>(`${V1}/assessments/${id}`);
  }

  assessments(clientId: string): Observable<Assessment[]> {
    return this.http.get<Assessment[]>(`${V1}/clients/${clientId}/assessments`);
  }
  createAssessment(clientId: string, body: CreateAssessmentBody): Observable<Assessment> {
    return this.http.post<Assessment>(`${V1}/clients/${clientId}/assessments`, body);
  }
  blocks(clientId: string): Observable<Block[]> {
    return this.http.get<Block[]>(`${V1}/clients/${clientId}/blocks`);
  }
  createBlock(clientId: string, body: CreateBlockBody): Observable<Block> {
    return this.http.post<Block>(`${V1}/clients/${clientId}/blocks`, body);
  }
  reviseBlock(id: string, body: UpdateBlockBody): Observable<Block> {
    return this.http.put<Block>(`${V1}/blocks/${id}`, body);
  }
  moveRetest(blockId: string, week: number, date: string): Observable<Block> {
    return this.http.put<Block>(`${V1}/blocks/${blockId}/retests/${week}`, { date });
  }

  endBlock(id: string, version: number): Observable<Block> {
    return this.http.post<Block>(`${V1}/blocks/${id}/end`, { version });
  }
  resumeBlock(id: string, version: number): Observable<Block> {
    return this.http.post<Block>(`${V1}/blocks/${id}/resume`, { version });
  }
  planning(clientId: string): Observable<PlanningView> {
    return this.http.get<PlanningView>(`${V1}/clients/${clientId}/planning`);
  }
  revisions(blockId: string): Observable<RevisionSummary[]> {
    return this.http.get<RevisionSummary[]>(`${V1}/blocks/${blockId}/revisions`);
  }
  revision(blockId: string, number: number): Observable<Revision> {
    return this.http.get<Revision>(`${V1}/blocks/${blockId}/revisions/${number}`);
  }
  moveSession(id: string, date: string): Observable<SessionSummary> {
    return this.http.put<SessionSummary>(`${V1}/sessions/${id}/date`, { date });
  }
  calendarLink(clientId: string): Observable<CalendarLink> {
    return this.http.get<CalendarLink>(`${V1}/clients/${clientId}/calendar-link`);
  }
  makeCalendarLink(clientId: string): Observable<CalendarLink> {
    return this.http.post<CalendarLink>(`${V1}/clients/${clientId}/calendar-link`, {});
  }
  endCalendarLink(clientId: string): Observable<unknown> {
    return this.http.delete(`${V1}/clients/${clientId}/calendar-link`);
  }
  ownStyles(): Observable<OwnStyle[]> {
    return this.http.get<OwnStyle[]>(`${V1}/own-styles`);
  }
  putOwnStyle(id: string, body: OwnStyleBody): Observable<OwnStyle> {
    return this.http.put<OwnStyle>(`${V1}/own-styles/${id}`, body);
  }
  styleVersions(id: string): Observable<StyleVersion[]> {
    return this.http.get<StyleVersion[]>(`${V1}/own-styles/${id}/versions`);
  }
  importStyles(file: unknown): Observable<FileImport> {
    return this.http.post<FileImport>(`${V1}/own-styles/import`, file);
  }
  routines(): Observable<OwnRoutine[]> {
    return this.http.get<OwnRoutine[]>(`${V1}/routines`);
  }
  putRoutine(id: string, body: OwnRoutineBody): Observable<OwnRoutine> {
    return this.http.put<OwnRoutine>(`${V1}/routines/${id}`, body);
  }
  routineVersions(id: string): Observable<RoutineVersion[]> {
    return this.http.get<RoutineVersion[]>(`${V1}/routines/${id}/versions`);
  }
  importRoutines(file: unknown): Observable<FileImport> {
    return this.http.post<FileImport>(`${V1}/routines/import`, file);
  }
  series(): Observable<OwnSeries[]> {
    return this.http.get<OwnSeries[]>(`${V1}/series`);
  }
  putSeries(id: string, body: OwnSeriesBody): Observable<OwnSeries> {
    return this.http.put<OwnSeries>(`${V1}/series/${id}`, body);
  }
  fitRoutine(body: FitRoutineBody): Observable<ClientRoutineFit[]> {
    return this.http.post<ClientRoutineFit[]>(`${V1}/routines/fit`, body);
  }
  createSeries(clientId: string, body: CreateSeriesBody): Observable<SessionSummary[]> {
    return this.http.post<SessionSummary[]>(`${V1}/clients/${clientId}/sessions/series`, body);
  }
  createSessions(clientId: string, body: CreateSessionsBody): Observable<SessionSummary[]> {
    return this.http.post<SessionSummary[]>(`${V1}/clients/${clientId}/sessions`, body);
  }
  removeSession(id: string): Observable<unknown> {
    return this.http.delete(`${V1}/sessions/${id}`);
  }
  ownTemplates(): Observable<OwnTemplate[]> {
    return this.http.get<OwnTemplate[]>(`${V1}/own-templates`);
  }
  putOwnTemplate(id: string, body: OwnTemplateBody): Observable<OwnTemplate> {
    return this.http.put<OwnTemplate>(`${V1}/own-templates/${id}`, body);
  }
  importTemplates(file: unknown): Observable<FileImport> {
    return this.http.post<FileImport>(`${V1}/own-templates/import`, file);
  }
  sessions(clientId: string): Observable<SessionSummary[]> {
    return this.http.get<SessionSummary[]>(`${V1}/clients/${clientId}/sessions`);
  }
  session(id: string): Observable<Session> {
    return this.http.get<Session>(`${V1}/sessions/${id}`);
  }
  editSession(id: string, body: EditSessionBody): Observable<Session> {
    return this.http.put<Session>(`${V1}/sessions/${id}/items`, body);
  }
  swapComing(id: string, body: SwapComingBody): Observable<SwapComing> {
    return this.http.post<SwapComing>(`${V1}/sessions/${id}/swap-coming`, body);
  }
  restoreSession(id: string, version: number): Observable<Session> {
    return this.http.post<Session>(`${V1}/sessions/${id}/restore`, { version });
  }
  chooseRun(id: string, runId: string): Observable<Session> {
    return this.http.put<Session>(`${V1}/sessions/${id}/counted-run`, { runId });
  }
  editAnswers(runId: string, body: EditAnswersBody): Observable<Session> {
    return this.http.put<Session>(`${V1}/runs/${runId}/answers`, body);
  }
  sorenessEntries(clientId: string): Observable<Soreness[]> {
    return this.http.get<Soreness[]>(`${V1}/clients/${clientId}/soreness`);
  }
  putSoreness(clientId: string, id: string, body: SorenessBody): Observable<Soreness> {
    return this.http.put<Soreness>(`${V1}/clients/${clientId}/soreness/${id}`, body);
  }
  withdrawSoreness(clientId: string, id: string, withdrawn: boolean): Observable<Soreness[]> {
    return this.http.put<Soreness[]>(`${V1}/clients/${clientId}/soreness/${id}/withdrawn`, { withdrawn });
  }
  withdrawRun(id: string, withdrawn: boolean): Observable<Session> {
    return this.http.put<Session>(`${V1}/runs/${id}/withdrawn`, { withdrawn });
  }
  reviews(whose: Whose): Observable<ClientReview[]> {
    return this.http.get<ClientReview[]>(`${V1}/reviews`, { params: { whose } });
  }
  setStandingReview(clientId: string, standing: boolean): Observable<void> {
    return this.http.put<void>(`${V1}/clients/${clientId}/review/standing`, { standing });
  }
  report(clientId: string): Observable<Report> {
    return this.http.get<Report>(`${V1}/clients/${clientId}/report`);
  }
  makeReportLink(clientId: string, days: number): Observable<NewReportLink> {
    return this.http.post<NewReportLink>(`${V1}/clients/${clientId}/report-link`, { days });
  }
  endReportLink(clientId: string): Observable<unknown> {
    return this.http.post(`${V1}/clients/${clientId}/report-link/revoke`, {});
  }
  checkIns(clientId: string): Observable<CheckIn[]> {
    return this.http.get<CheckIn[]>(`${V1}/clients/${clientId}/check-ins`);
  }
  seeAway(clientId: string, id: string, plan: boolean): Observable<CheckIn[]> {
    return this.http.put<CheckIn[]>(`${V1}/clients/${clientId}/check-ins/${id}/away`, { plan });
  }
  review(clientId: string): Observable<WeekReview | null> {
    return this.http.get<WeekReview | null>(`${V1}/clients/${clientId}/review`);
  }
  decideReview(clientId: string, body: DecideReviewBody): Observable<WeekReview | null> {
    return this.http.put<WeekReview | null>(`${V1}/clients/${clientId}/review`, body);
  }
  putPacing(clientId: string, pacing: Pacing): Observable<unknown> {
    return this.http.put(`${V1}/clients/${clientId}/timings`, pacing);
  }
  putBreath(clientId: string, seconds: number | null): Observable<unknown> {
    return this.http.put(`${V1}/clients/${clientId}/breath`, { seconds });
  }
  phoneLink(clientId: string): Observable<PhoneLink | null> {
    return this.http.get<PhoneLink | null>(`${V1}/clients/${clientId}/phone-link`);
  }
  makePhoneLink(clientId: string): Observable<NewPhoneLink> {
    return this.http.post<NewPhoneLink>(`${V1}/clients/${clientId}/phone-link`, {});
  }
  revokePhoneLink(clientId: string): Observable<unknown> {
    return this.http.post(`${V1}/clients/${clientId}/phone-link/revoke`, {});
  }
  lateLogs(clientId: string): Observable<LateLog[]> {
    return this.http.get<LateLog[]>(`${V1}/clients/${clientId}/late-logs`);
  }
  decideLate(clientId: string, runId: string, decision: DecideLateBody): Observable<LateLog[]> {
    return this.http.put<LateLog[]>(`${V1}/clients/${clientId}/late-logs/${runId}`, decision);
  }
  clearSymptom(id: string, body: ClearSymptomBody): Observable<SymptomReport> {
    return this.http.post<SymptomReport>(`${V1}/symptoms/${id}/clear`, body);
  }
  progress(clientId: string): Observable<Progress> {
    return this.http.get<Progress>(`${V1}/clients/${clientId}/progress`);
  }
  testCatalogue(): Observable<TestCatalogueView> {
    return this.http.get<TestCatalogueView>(`${V1}/test-catalogue`);
  }
  putOwnTest(id: string, body: OwnTestBody): Observable<OwnTest> {
    return this.http.put<OwnTest>(`${V1}/own-tests/${id}`, body);
  }
  putOwnBattery(id: string, body: OwnBatteryBody): Observable<OwnBattery> {
    return this.http.put<OwnBattery>(`${V1}/own-batteries/${id}`, body);
  }
  readingHabits(testId: string): Observable<ReadingHabits> {
    return this.http.get<ReadingHabits>(`${V1}/reading-habits`, { params: { testId } });
  }

  studies(): Observable<Study[]> {
    return this.http.get<Study[]>(`${V1}/studies`);
  }
  putStudy(id: string, body: StudyBody): Observable<Study> {
    return this.http.put<Study>(`${V1}/studies/${id}`, body);
  }
  adoptError(body: AdoptErrorBody): Observable<OwnError> {
    return this.http.post<OwnError>(`${V1}/own-errors`, body);
  }
  withdrawError(id: string): Observable<unknown> {
    return this.http.post(`${V1}/own-errors/${id}/withdraw`, {});
  }
  priorities(clientId: string): Observable<PrioritiesView> {
    return this.http.get<PrioritiesView>(`${V1}/clients/${clientId}/priorities`);
  }
  putPriorities(clientId: string, body: PrioritiesBody): Observable<PrioritiesView> {
    return this.http.put<PrioritiesView>(`${V1}/clients/${clientId}/priorities`, body);
  }
  putGoal(clientId: string, id: string, body: GoalBody): Observable<PrioritiesView> {
    return this.http.put<PrioritiesView>(`${V1}/clients/${clientId}/goals/${id}`, body);
  }
  endGoal(id: string): Observable<PrioritiesView> {
    return this.http.post<PrioritiesView>(`${V1}/goals/${id}/end`, {});
  }
  putSelfReport(clientId: string, id: string, body: SelfReportBody): Observable<PrioritiesView> {
    return this.http.put<PrioritiesView>(`${V1}/clients/${clientId}/self-reports/${id}`, body);
  }
  myExercises(): Observable<MyExercises> {
    return this.http.get<MyExercises>(`${V1}/library/mine`);
  }
  setFavourite(id: string, favourite: boolean): Observable<readonly string[]> {
    return this.http.put<readonly string[]>(`${V1}/library/favourites/${id}`, { favourite });
  }
  ownExercises(): Observable<OwnExercise[]> {
    return this.http.get<OwnExercise[]>(`${V1}/own-exercises`);
  }
  putOwnExercise(id: string, body: OwnExerciseBody): Observable<OwnExercise> {
    return this.http.put<OwnExercise>(`${V1}/own-exercises/${id}`, body);
  }
  exerciseVersions(id: string): Observable<ExerciseVersion[]> {
    return this.http.get<ExerciseVersion[]>(`${V1}/own-exercises/${id}/versions`);
  }
  importExercises(file: ExerciseFile): Observable<ExerciseImport> {
    return this.http.post<ExerciseImport>(`${V1}/own-exercises/import`, file);
  }
  screening(clientId: string): Observable<ScreeningView> {
    return this.http.get<ScreeningView>(`${V1}/clients/${clientId}/screening`);
  }
  putIntake(clientId: string, id: string, body: IntakeBody): Observable<ScreeningView> {
    return this.http.put<ScreeningView>(`${V1}/clients/${clientId}/intakes/${id}`, body);
  }
  putClearance(clientId: string, id: string, body: ClearanceBody): Observable<ScreeningView> {
    return this.http.put<ScreeningView>(`${V1}/clients/${clientId}/clearances/${id}`, body);
  }
  withdrawClearance(id: string): Observable<ScreeningView> {
    return this.http.post<ScreeningView>(`${V1}/clearances/${id}/withdraw`, {});
  }
  putConsent(clientId: string, id: string, body: ConsentBody): Observable<ScreeningView> {
    return this.http.put<ScreeningView>(`${V1}/clients/${clientId}/consents/${id}`, body);
  }
  withdrawConsent(clientId: string): Observable<ScreeningView> {
    return this.http.post<ScreeningView>(`${V1}/clients/${clientId}/consent/withdraw`, {});
  }
  eraseAnswer(clientId: string, question: QuestionId): Observable<ScreeningView> {
    return this.http.post<ScreeningView>(`${V1}/clients/${clientId}/answers/erase`, { question });
  }
  makeIntakeLink(clientId: string): Observable<{ token: string; expiresAt: string }> {
    return this.http.post<{ token: string; expiresAt: string }>(`${V1}/clients/${clientId}/intake-link`, {});
  }
  revokeIntakeLink(clientId: string): Observable<ScreeningView> {
    return this.http.post<ScreeningView>(`${V1}/clients/${clientId}/intake-link/revoke`, {});
  }
  fillIn(token: string): Observable<FillIn> {
    return this.http.get<FillIn>(`${V1}/fill-in/${token}`);
  }
  sendFillIn(token: string, id: string, body: IntakeBody): Observable<unknown> {
    return this.http.put(`${V1}/fill-in/${token}/${id}`, body);
  }
  inclinometer(): Observable<InclinometerView> {
    return this.http.get<InclinometerView>(`${V1}/devices/inclinometer`);
  }
  setInclinometer(body: InclinometerSettings): Observable<InclinometerView> {
    return this.http.put<InclinometerView>(`${V1}/devices/inclinometer`, body);
  }
  attachPicture(
    assessmentId: string,
    id: string,
    testId: string,
    side: Side | null,
    picture: Blob,
  ): Observable<unknown> {
    return this.http.put(`${V1}/assessments/${assessmentId}/pictures/${id}`, picture, {
      params: { testId, side: side ?? '' },
      headers: { 'content-type': picture.type },
    });
  }
  removePicture(id: string): Observable<unknown> {
    return this.http.delete(`${V1}/pictures/${id}`);
  }
}
