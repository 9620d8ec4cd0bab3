import { Component, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import type { ClientBody, Problem } from '@yandle/contract';
import { firstValueFrom } from 'rxjs';
import { Api } from '../data/api';
import { newId } from '../data/ids';
import { problemOf } from '../data/problem';
import { ClientForm } from './client-form';

/** A new client. */
@Component({
  selector: 'y-new-client',
  imports: [ClientForm],
  template: `
    <div class="mx-auto max-w-6xl px-4 py-6 sm:px-6">
      <h1 class="mb-5">New client</h1>
      <y-client-form saveLabel="Add client" [problem]="problem()" [busy]="busy()" (saved)="save($event)" />
    </div>
  `,
})
export class NewClient {
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  protected readonly problem = signal<Problem | null>(null);
  protected readonly busy = signal(false);
  /** One id for as long as the form is open: pressing twice creates once. A refused body gets a new one. */
  private id = newId();

  protected async save(body: ClientBody): Promise<void> {
    this.busy.set(true);
    this.problem.set(null);
    try {
      const client = await firstValueFrom(this.api.createClient({ ...body, id: this.id }));
      await this.router.navigate(['/clients', client.id, 'intake']);
    } catch (err) {
      const problem = problemOf(err);
      if (problem.code === 'id-in-use') this.id = newId();
      this.problem.set(problem);
    } finally {
      this.busy.set(false);
    }
  }
}
