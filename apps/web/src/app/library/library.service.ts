import { Requests } from '../data/requests';
import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { OWN_EXERCISE_PREFIX, type ExerciseFile, type OwnExercise } from '@yandle/contract';
import {
  CoreError,
  exerciseIndex,
  EXERCISES,
  findAmong,
  type Exercise,
  type ExerciseDefinition,
  FILE_VERSION,
} from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';

/** An own exercise as the computation knows it. */
export function exerciseOfOwn(own: OwnExercise): Exercise {
  return { ...definitionOf(own), id: OWN_EXERCISE_PREFIX + own.id };
}

/** What is stored and exported of an exercise: all but its id and state. */
export function definitionOf(exercise: Exercise | OwnExercise): ExerciseDefinition {
  const { id: _i, ...rest } = exercise;
  if ('archived' in rest) {
    const { version: _v, archived: _r, ...definition } = rest;
    return definition;
  }
  return rest;
}

/** The exercises a studio works with: the catalogue and its own. */
@Injectable({ providedIn: 'root' })
export class LibraryService {
  private readonly api = inject(Api);
  private readonly account = inject(AccountService);
  readonly own = signal<readonly OwnExercise[]>([]);
  private loading: Promise<void> = Promise.resolve();
  readonly requests = new Requests();
  readonly problem = this.requests.problem;
  readonly exercises = computed((): readonly Exercise[] => [
    ...EXERCISES,
    ...this.own()
      .filter((o) => !o.archived)
      .map(exerciseOfOwn),
  ]);

  private readonly search = computed(() => findAmong(this.own().map(exerciseOfOwn)));

  /** All of them with their words taken apart, for finding. */
  readonly index = computed(() => exerciseIndex(this.exercises()));

  constructor() {
    effect(() => {
      const coach = this.account.me()?.coach.id;
      untracked(() => {
        this.own.set([]);
        if (coach) this.loading = this.load();
      });
    });
  }

  /** Resolves when the studio's own exercises have been asked for, answered or not. */
  ready(): Promise<void> {
    return this.loading;
  }

  /** An exercise of the catalogue or the studio's own, archived ones too. Until these are here, one that says so stands in. */
  find(id: string): Exercise {
    try {
      return this.search()(id);
    } catch (err) {
      if (!(err instanceof CoreError)) throw err;
      return { ...EXERCISES[0]!, id, figure: null, name: 'An exercise of the studio', steps: ['Not loaded yet.'] };
    }
  }

  ownOf(exercise: Exercise): OwnExercise | null {
    return this.own().find((o) => OWN_EXERCISE_PREFIX + o.id === exercise.id) ?? null;
  }

  async load(): Promise<void> {
    await this.attempt(async () => this.own.set(await firstValueFrom(this.api.ownExercises())));
  }

  /** Takes back that an exercise was archived. */
  async restore(own: OwnExercise): Promise<OwnExercise | null> {
    const { id, version } = own;
    const body = { ...definitionOf(own), version, archived: false };
    return (await this.requests.run(this.api.putOwnExercise(id, body))) ?? null;
  }

  /** The studio's own exercises as a file. */
  file(): ExerciseFile {
    const exercises = this.own()
      .filter((o) => !o.archived)
      .map(definitionOf);
    return { format: 'yandle-exercises', formatVersion: FILE_VERSION, exercises };
  }

  async take(text: string): Promise<string | null> {
    let file: ExerciseFile;
    try {
      file = JSON.parse(text) as ExerciseFile;
    } catch {
      this.problem.set({
        type: 'about:blank',
        title: 'This isn’t JSON',
        status: 400,
        code: 'malformed-body',
        detail: 'Choose a file of exercises that was exported here, or written by the published schema.',
        instance: '',
      });
      return null;
    }
    let words: string | null = null;
    await this.attempt(async () => {
      const { added, same } = await firstValueFrom(this.api.importExercises(file));
      words = `${added} added${same > 0 ? `, ${same} were there already` : ''}.`;
      this.own.set(await firstValueFrom(this.api.ownExercises()));
    });
    return words;
  }

  private async attempt(work: () => Promise<unknown>): Promise<void> {
    await this.requests.run(async () => {
      await work();
    });
  }
}
