import { Requests } from '../data/requests';
import { Component, inject } from '@angular/core';
import { Router } from '@angular/router';
import type { ClientBody } from '@yandle/contract';
import { firstValueFrom } from 'rxjs';
import { Api } from '../data/api';
import { newId } from '../data/ids';
import { ClientForm } from './client-form';

/** A new client. */
@Component({
  selector: 'y-new-client',
  imports: [ClientForm],
  template: `
    <div class="mx-auto max-w-6xl px-4 py-6 sm:px-6">
      <h1 class="mb-5">New client</h1>
      <y-client-form
        #form
        draftOf="new"
        saveLabel="Add client"
        [problem]="problem()"
        [busy]="busy()"
        (saved)="save($event, form)"
      />
    </div>
  `,
})
export class NewClient {
  private readonly api = inject(Api);
  private readonly router = inject(Router);
  protected readonly requests = new Requests();
  protected readonly problem = this.requests.problem;
  protected readonly busy = this.requests.busy;
  /** One id for as long as the form is open: pressing twice creates once. A refused body gets a new one. */
  private id = newId();

  protected async save(body: ClientBody, form: ClientForm): Promise<void> {
    await this.requests.run(
      async () => {
        const client = await firstValueFrom(this.api.createClient({ ...body, id: this.id }));
        form.forget();
        await this.router.navigate(['/clients', client.id, 'intake']);
      },
      (problem) => {
        if (problem.code === 'id-in-use') this.id = newId();
      },
    );
  }
}
