import { HttpClient } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import type {
  Account,
  AuditEntry,
  ChangePasswordBody,
  CoachRole,
  EditStudioBody,
  InviteBody,
  JoinBody,
  JoinView,
  LinkMade,
  NerveGlidesBody,
  OfferedFactor,
  OpenLink,
  Page,
  RecoveryCodes,
  ResetView,
  StandInBody,
  StudioSettings,
  StudioView,
} from '@yandle/contract';
import type { Observable } from 'rxjs';
import { V1 } from './api';

/** Requests about the studio, its coaches and the own account. */
@Injectable({ providedIn: 'root' })
export class StudioApi {
  private readonly http = inject(HttpClient);

  account(): Observable<Account> {
    return this.http.get<Account>(`${V1}/account`);
  }
  changePassword(body: ChangePasswordBody): Observable<unknown> {
    return this.http.put(`${V1}/account/password`, body);
  }
  signOutDevice(id: string): Observable<unknown> {
    return this.http.delete(`${V1}/account/devices/${id}`);
  }
  signOutOthers(): Observable<unknown> {
    return this.http.post(`${V1}/account/sign-out-others`, {});
  }
  putNerveGlides(body: NerveGlidesBody): Observable<unknown> {
    return this.http.put(`${V1}/account/nerve-glides`, body);
  }
  endNerveGlides(): Observable<unknown> {
    return this.http.delete(`${V1}/account/nerve-glides`);
  }
  offerFactor(): Observable<OfferedFactor> {
    return this.http.post<OfferedFactor>(`${V1}/account/second-factor`, {});
  }
  confirmFactor(code: string): Observable<RecoveryCodes> {
    return this.http.post<RecoveryCodes>(`${V1}/account/second-factor/confirm`, { code });
  }
  removeFactor(password: string): Observable<unknown> {
    return this.http.post(`${V1}/account/second-factor/off`, { password });
  }

  studio(): Observable<StudioView> {
    return this.http.get<StudioView>(`${V1}/studio`);
  }
  editStudio(body: EditStudioBody): Observable<unknown> {
    return this.http.put(`${V1}/studio`, body);
  }
  putSettings(body: StudioSettings): Observable<unknown> {
    return this.http.put(`${V1}/studio/settings`, body);
  }
  invite(body: InviteBody): Observable<LinkMade> {
    return this.http.post<LinkMade>(`${V1}/studio/invitations`, body);
  }
  endInvitation(id: string): Observable<unknown> {
    return this.http.delete(`${V1}/studio/invitations/${id}`);
  }
  setRole(coachId: string, role: CoachRole): Observable<unknown> {
    return this.http.put(`${V1}/studio/coaches/${coachId}/role`, { role });
  }
  setStandIn(coachId: string, body: StandInBody): Observable<unknown> {
    return this.http.put(`${V1}/studio/coaches/${coachId}/stand-in`, body);
  }
  resetLink(coachId: string): Observable<LinkMade> {
    return this.http.post<LinkMade>(`${V1}/studio/coaches/${coachId}/reset-link`, {});
  }
  removeCoach(coachId: string, clientsTo: string): Observable<unknown> {
    return this.http.post(`${V1}/studio/coaches/${coachId}/remove`, { clientsTo });
  }
  links(): Observable<OpenLink[]> {
    return this.http.get<OpenLink[]>(`${V1}/studio/links`);
  }
  endLink({ kind, clientId }: OpenLink): Observable<unknown> {
    const client = `${V1}/clients/${clientId}`;
    if (kind === 'calendar') return this.http.delete(`${client}/calendar-link`);
    return this.http.post(`${client}/${kind}-link/revoke`, {});
  }
  audit(cursor: string): Observable<Page<AuditEntry>> {
    return this.http.get<Page<AuditEntry>>(`${V1}/studio/audit`, { params: { cursor } });
  }

  joinView(token: string): Observable<JoinView> {
    return this.http.get<JoinView>(`${V1}/join/${token}`);
  }
  join(token: string, body: JoinBody): Observable<unknown> {
    return this.http.post(`${V1}/join/${token}`, body);
  }
  resetView(token: string): Observable<ResetView> {
    return this.http.get<ResetView>(`${V1}/reset/${token}`);
  }
  reset(token: string, password: string): Observable<unknown> {
    return this.http.post(`${V1}/reset/${token}`, { password });
  }

  record(clientId: string): Observable<Readonly<Record<string, unknown>>> {
    return this.http.get<Readonly<Record<string, unknown>>>(`${V1}/clients/${clientId}/record.json`);
  }
  erase(clientId: string, name: string): Observable<unknown> {
    return this.http.post(`${V1}/clients/${clientId}/erase`, { name });
  }
}
