import { Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import { OWN_ROUTINE_PREFIX, type OwnRoutine, type RoutineVersion } from '@yandle/contract';
import {
  settingsOf,
  ROUTINE_BOUNDS,
  ROUTINES,
  type Routine,
  type RoutineDefinition,
  type SessionItem,
} from '@yandle/core';
import { newId } from '../data/ids';
import { saveJson } from '../data/json-file';
import { ToastService } from '../data/toast.service';
import { LibraryService } from '../library/library.service';
import { ProblemNote } from '../ui/problem-note';
import { StopSigns } from '../ui/stop-signs';
import { GiveRoutine } from './give-routine';
import { ListEditor } from './list-editor';
import { RoutineFacts } from './routine-facts';
import { definitionOfRoutine, routineOfOwn, RoutinesService } from './routines.service';
import { SettingsForm } from './settings-form';

const EMPTY: RoutineDefinition = {
  ...{ name: '', note: '', purpose: 'own', alreadyWarm: false, rounds: 1, minutes: null, items: [] },
};

/** The routines: look, write, copy, change, give to clients, bring in and out as files. */
@Component({
  selector: 'y-routines',
  imports: [GiveRoutine, ListEditor, ProblemNote, RoutineFacts, RouterLink, SettingsForm, StopSigns],
  templateUrl: './routines.html',
})
export class RoutinesScreen {
  protected readonly service = inject(RoutinesService);
  private readonly library = inject(LibraryService);
  private readonly toasts = inject(ToastService);
  protected readonly most = ROUTINE_BOUNDS;
  protected readonly shipped = ROUTINES;
  protected readonly exercises = this.library.exercises;
  protected readonly studio = computed(() => this.list((o) => o.clientId === null));
  protected readonly ofClients = computed(() => this.list((o) => o.clientId !== null));
  private readonly chosen = signal(ROUTINES[0]!.id);
  protected readonly own = computed(
    () => this.service.own().find((o) => OWN_ROUTINE_PREFIX + o.id === this.chosen()) ?? null,
  );
  protected readonly routine = computed((): Routine => {
    const own = this.own();
    return own ? routineOfOwn(own) : (ROUTINES.find((r) => r.id === this.chosen()) ?? ROUTINES[0]!);
  });
  protected readonly draft = signal<RoutineDefinition | null>(null);
  /** The own routine that is edited; null for a new one. */
  private readonly editing = signal<OwnRoutine | null>(null);
  protected readonly versions = signal<readonly RoutineVersion[]>([]);
  protected readonly giving = signal(false);
  private id = newId();

  private list(which: (o: OwnRoutine) => boolean): readonly Routine[] {
    return this.service.current().filter(which).map(routineOfOwn);
  }

  protected choose(id: string): void {
    this.chosen.set(id);
    this.draft.set(null);
    this.versions.set([]);
    this.giving.set(false);
  }

  protected write(from: Routine | null): void {
    this.editing.set(null);
    this.id = newId();
    this.draft.set(from ? { ...definitionOfRoutine(from), name: `Copy of ${from.name}` } : EMPTY);
  }

  protected edit(own: OwnRoutine, definition: RoutineDefinition = definitionOfRoutine(routineOfOwn(own))): void {
    this.editing.set(own);
    this.id = own.id;
    this.draft.set(definition);
  }

  protected set(part: Partial<RoutineDefinition>): void {
    this.draft.update((d) => d && { ...d, ...part });
  }

  protected readonly settingsOf = settingsOf;

  protected setItems(items: readonly SessionItem[]): void {
    this.set({ items });
  }

  protected async keep(): Promise<void> {
    const d = this.draft();
    if (!d || d.name.trim() === '' || d.items.length === 0) return;
    const { version = null, clientId = null } = this.editing() ?? {};
    const kept = await this.service.keep(
      this.id,
      { version, clientId, archived: false },
      { ...d, name: d.name.trim() },
    );
    if (!kept) return;
    this.choose(OWN_ROUTINE_PREFIX + kept.id);
    this.toasts.show(`“${kept.name}” is saved.`);
  }

  protected async archive(own: OwnRoutine): Promise<void> {
    const definition = definitionOfRoutine(routineOfOwn(own));
    const { clientId } = own;
    const archived = await this.service.keep(own.id, { clientId, version: own.version, archived: true }, definition);
    if (!archived) return;
    this.choose(ROUTINES[0]!.id);
    const back = async (): Promise<void> => {
      const head = { clientId, version: archived.version, archived: false };
      if (await this.service.keep(own.id, head, definition)) this.choose(OWN_ROUTINE_PREFIX + own.id);
    };
    this.toasts.show(`“${own.name}” is archived. Sessions made from it stay.`, {
      label: 'Undo',
      run: () => void back(),
    });
  }

  protected async showVersions(own: OwnRoutine): Promise<void> {
    this.versions.set(await this.service.versions(own.id));
  }

  protected save(): void {
    saveJson('routines.json', this.service.file());
  }

  protected async open(field: HTMLInputElement): Promise<void> {
    const file = field.files?.[0];
    field.value = '';
    if (!file) return;
    const words = await this.service.take(await file.text());
    if (words) this.toasts.show(words);
  }

  protected when(at: string): string {
    return new Date(at).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
  }
}
