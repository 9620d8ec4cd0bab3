import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { OWN_ROUTINE_PREFIX, type OwnRoutine, type RoutineFile, type RoutineVersion } from '@yandle/contract';
import { FILE_VERSION, ROUTINES, type Routine, type RoutineDefinition } from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { NO_JSON } from '../data/json-file';
import { Requests } from '../data/requests';

/** An own routine beside those that ship. */
export function routineOfOwn({ version: _v, archived: _a, clientId: _c, ...own }: OwnRoutine): Routine {
  return { ...own, id: OWN_ROUTINE_PREFIX + own.id };
}

/** What is stored and exported of a routine: all but its id. */
export function definitionOfRoutine({ id: _, ...definition }: Routine): RoutineDefinition {
  return definition;
}

/** The routines a studio works with: those that ship, its own, and those of single clients. */
@Injectable({ providedIn: 'root' })
export class RoutinesService {
  private readonly api = inject(Api);
  private readonly account = inject(AccountService);
  readonly own = signal<readonly OwnRoutine[]>([]);
  readonly requests = new Requests();
  readonly problem = this.requests.problem;

  constructor() {
    effect(() => {
      const coach = this.account.me()?.coach.id;
      untracked(() => {
        this.own.set([]);
        if (coach) void this.load();
      });
    });
  }

  /** Own routines that are not archived. */
  readonly current = computed(() => this.own().filter((o) => !o.archived));

  /** Routines to choose from for a client: theirs first, then the studio's, then those that ship. */
  forClient(clientId: string | null): readonly Routine[] {
    const own = this.current();
    const theirs = own.filter((o) => o.clientId !== null && o.clientId === clientId);
    return [...theirs, ...own.filter((o) => o.clientId === null)].map(routineOfOwn).concat(ROUTINES);
  }

  /** A routine by its id, archived ones too; null when there is none. */
  find(id: string): Routine | null {
    const own = this.own().find((o) => OWN_ROUTINE_PREFIX + o.id === id);
    return own ? routineOfOwn(own) : (ROUTINES.find((r) => r.id === id) ?? null);
  }

  async load(): Promise<void> {
    await this.requests.run(async () => this.own.set(await firstValueFrom(this.api.routines())));
  }

  /** @returns the routine as it is kept; null when it was refused */
  async keep(
    id: string,
    head: Pick<OwnRoutine, 'archived' | 'clientId'> & { readonly version: number | null },
    definition: RoutineDefinition,
  ): Promise<OwnRoutine | null> {
    return (
      (await this.requests.run(async () => {
        const kept = await firstValueFrom(this.api.putRoutine(id, { ...definition, ...head }));
        this.own.set(await firstValueFrom(this.api.routines()));
        return kept;
      })) ?? null
    );
  }

  versions(id: string): Promise<RoutineVersion[]> {
    return firstValueFrom(this.api.routineVersions(id));
  }

  /** The studio's own routines as a file; those of single clients stay. */
  file(): RoutineFile {
    const routines = this.current()
      .filter((o) => o.clientId === null)
      .map((o) => definitionOfRoutine(routineOfOwn(o)));
    return { format: 'yandle-routines', formatVersion: FILE_VERSION, routines };
  }

  /** Takes a file in; says what came of it, or null when it was refused. */
  async take(text: string): Promise<string | null> {
    let file: unknown;
    try {
      file = JSON.parse(text);
    } catch {
      this.problem.set(NO_JSON);
      return null;
    }
    return (
      (await this.requests.run(async () => {
        const { added, same } = await firstValueFrom(this.api.importRoutines(file));
        this.own.set(await firstValueFrom(this.api.routines()));
        return `${added} added${same > 0 ? `, ${same} were there already` : ''}.`;
      })) ?? null
    );
  }
}
