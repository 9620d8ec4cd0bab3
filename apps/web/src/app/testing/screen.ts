import 'fake-indexeddb/auto';
import { provideHttpClient } from '@angular/common/http';
import { HttpTestingController, provideHttpClientTesting } from '@angular/common/http/testing';
import type { Type } from '@angular/core';
import { outboxDb } from '../data/outbox/outbox-db';
import { TestBed, type ComponentFixture } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { DEFAULT_SETTINGS, type ClientPath, type Me } from '@yandle/contract';
import { AccountService } from '../data/account.service';

/** Harness of the component specs: a screen with its inputs, its requests answered by the spec. */
export const TODAY = '2026-03-11';

export const ME: Me = {
  coach: { id: 'k1', name: 'Mara Thornebrook', email: 'mara@harbourlane.example', role: 'owner' },
  studio: { id: 's1', name: 'Harbour Lane', timeZone: 'Europe/Vienna', settings: DEFAULT_SETTINGS },
  coaches: [
    { id: 'k1', name: 'Mara Thornebrook' },
    { id: 'k2', name: 'Joris Ebbing' },
  ],
  standingInFor: [],
  today: TODAY,
};

export const PATH: ClientPath = {
  client: {
    id: 'c1',
    version: 3,
    pacing: { brisk: false, own: {} },
    name: 'Ottoline Varga',
    birthDate: '1980-01-10',
    sex: null,
    age: 46,
    aim: 'Sit on my heels',
    experience: 'regular',
    trainingDays: [1, 3, 5],
    minutesPerSession: 20,
    gentleGroups: [],
    screening: 'clear',
    screeningNote: '',
    notes: '',
    leadCoachId: 'k1',
    archivedAt: null,
  },
  lastAssessment: '2026-03-08',
  assessments: 1,
  block: null,
  nextSession: null,
  nextRetest: null,
  cautions: [],
  openSigns: [],
  about: null,
  rescreenOn: null,
};

/** Everything written inside an element, words apart as they look on the screen. */
export function textOf(element: Element): string {
  const walker = document.createTreeWalker(element, NodeFilter.SHOW_TEXT);
  const out: string[] = [];
  while (walker.nextNode()) out.push(walker.currentNode.textContent ?? '');
  return out.join(' ').replace(/\s+/g, ' ').trim();
}

export class Screen<T> {
  private constructor(
    readonly fixture: ComponentFixture<T>,
    readonly http: HttpTestingController,
  ) {}

  /** Puts a component up, signed in as {@link ME}. */
  static async open<T>(
    component: Type<T>,
    inputs: Record<string, unknown> = {},
    prepare: () => void = () => undefined,
  ): Promise<Screen<T>> {
    localStorage.clear();
    await (await outboxDb()).clear('coach');
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({
      imports: [component],
      providers: [provideHttpClient(), provideHttpClientTesting(), provideRouter([])],
    });
    await TestBed.compileComponents();
    prepare();
    const http = TestBed.inject(HttpTestingController);
    const signedIn = TestBed.inject(AccountService).load();
    http.expectOne('/api/v1/me').flush(ME);
    await signedIn;
    const fixture = TestBed.createComponent(component);
    for (const [name, value] of Object.entries(inputs)) fixture.componentRef.setInput(name, value);
    const screen = new Screen(fixture, http);
    fixture.detectChanges();
    return screen;
  }

  get el(): HTMLElement {
    return this.fixture.nativeElement as HTMLElement;
  }

  get text(): string {
    return textOf(this.el);
  }

  /** Answers the one open request to a path (without /api/v1). */
  async answer(path: string, body: object | null, status = 200): Promise<void> {
    const request = this.http.expectOne((r) => r.urlWithParams === `/api/v1${path}`);
    request.flush(body, { status, statusText: String(status) });
    await this.settle();
  }

  /** The one open request to a path, unanswered: to look at its body. */
  request(method: string, path: string) {
    return this.http.expectOne((r) => r.method === method && r.url === `/api/v1${path}`);
  }

  async settle(): Promise<void> {
    await new Promise((r) => setTimeout(r));
    await this.fixture.whenStable();
  }

  button(name: string): HTMLButtonElement {
    const found = [...this.el.querySelectorAll('button')].find((b) => b.textContent.trim().startsWith(name));
    if (!found) throw new Error(`No button "${name}" in: ${this.text}`);
    return found;
  }

  async press(name: string): Promise<void> {
    this.button(name).click();
    await this.settle();
  }

  async fill(selector: string, value: string): Promise<void> {
    const field = this.el.querySelector<HTMLInputElement>(selector)!;
    field.value = value;
    field.dispatchEvent(new Event('input'));
    field.dispatchEvent(new Event('change'));
    await this.settle();
  }
}
