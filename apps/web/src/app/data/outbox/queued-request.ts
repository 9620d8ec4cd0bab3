import type {
  AssessmentConditionsBody,
  BeightonBody,
  BreathBody,
  CheckInBody,
  CreateAssessmentBody,
  FinishRunBody,
  ReadingBody,
  RemovedBody,
  SetLogBody,
  SharedRunBody,
  SorenessBody,
  StartRunBody,
  SymptomBody,
  TestEventBody,
  WithdrawnBody,
} from '@yandle/contract';

/** A write on its way, by what it is. It carries ids of our own, so that sending it twice counts once. */
export type QueuedRequest =
  | { readonly kind: 'assessment'; readonly clientId: string; readonly body: CreateAssessmentBody }
  | { readonly kind: 'reading'; readonly assessmentId: string; readonly id: string; readonly body: ReadingBody }
  | {
      readonly kind: 'reading-withdrawn';
      readonly assessmentId: string;
      readonly id: string;
      readonly body: WithdrawnBody;
    }
  | { readonly kind: 'assessment-removed'; readonly assessmentId: string; readonly body: RemovedBody }
  | {
      readonly kind: 'assessment-conditions';
      readonly assessmentId: string;
      readonly id: string;
      readonly body: AssessmentConditionsBody;
    }
  | { readonly kind: 'test-event'; readonly assessmentId: string; readonly id: string; readonly body: TestEventBody }
  | { readonly kind: 'beighton'; readonly assessmentId: string; readonly id: string; readonly body: BeightonBody }
  | { readonly kind: 'start'; readonly sessionId: string; readonly body: StartRunBody | SharedRunBody }
  | { readonly kind: 'log'; readonly runId: string; readonly id: string; readonly body: SetLogBody }
  | { readonly kind: 'symptom'; readonly runId: string; readonly id: string; readonly body: SymptomBody }
  | { readonly kind: 'finish'; readonly runId: string; readonly body: FinishRunBody }
  /** `clientId` is null on the client's own phone: its link says who it is. */
  | { readonly kind: 'soreness'; readonly clientId: string | null; readonly id: string; readonly body: SorenessBody }
  | { readonly kind: 'check-in'; readonly clientId: string | null; readonly id: string; readonly body: CheckInBody }
  | { readonly kind: 'breath'; readonly clientId: string | null; readonly body: BreathBody }
  /** Written by a version before, in a way that is not known any more: sent as it was. */
  | { readonly kind: 'as-written'; readonly method: 'POST' | 'PUT'; readonly path: string; readonly body: unknown };

/** A request as it goes over the wire, under the paths of the coach or of the phone. */
export interface WireRequest {
  readonly method: 'POST' | 'PUT';
  readonly path: string;
  readonly body: unknown;
}

/** Path and method of a request. */
export function wireOf(r: QueuedRequest): WireRequest {
  const put = (path: string): WireRequest => ({ method: 'PUT', path, body: r.body });
  const post = (path: string): WireRequest => ({ method: 'POST', path, body: r.body });
  switch (r.kind) {
    case 'assessment':
      return post(`/clients/${r.clientId}/assessments`);
    case 'reading':
      return put(`/assessments/${r.assessmentId}/readings/${r.id}`);
    case 'reading-withdrawn':
      return put(`/assessments/${r.assessmentId}/readings/${r.id}/withdrawn`);
    case 'assessment-removed':
      return put(`/assessments/${r.assessmentId}/removed`);
    case 'assessment-conditions':
      return put(`/assessments/${r.assessmentId}/conditions/${r.id}`);
    case 'test-event':
      return put(`/assessments/${r.assessmentId}/events/${r.id}`);
    case 'beighton':
      return put(`/assessments/${r.assessmentId}/beighton/${r.id}`);
    case 'start':
      return post(`/sessions/${r.sessionId}/runs`);
    case 'log':
      return put(`/runs/${r.runId}/sets/${r.id}`);
    case 'symptom':
      return put(`/runs/${r.runId}/symptoms/${r.id}`);
    case 'finish':
      return post(`/runs/${r.runId}/finish`);
    case 'soreness':
      return put(`${r.clientId === null ? '' : `/clients/${r.clientId}`}/soreness/${r.id}`);
    case 'check-in':
      return put(`${r.clientId === null ? '' : `/clients/${r.clientId}`}/check-ins/${r.id}`);
    case 'breath':
      return put(`${r.clientId === null ? '' : `/clients/${r.clientId}`}/breath`);
    case 'as-written':
      return { method: r.method, path: r.path, body: r.body };
  }
}
