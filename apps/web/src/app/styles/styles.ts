import { Component, computed, inject, signal } from '@angular/core';
import type { OwnStyle, StyleVersion } from '@yandle/contract';
import { EMPTY_STYLE, sourceWords, styleFaults, styleFaultWords, type Style, type StyleDefinition } from '@yandle/core';
import { newId } from '../data/ids';
import { saveJson } from '../data/json-file';
import { ToastService } from '../data/toast.service';
import { ProblemNote } from '../ui/problem-note';
import { StyleFacts } from './style-facts';
import { StyleForm } from './style-form';
import { StylePreview } from './style-preview';
import { definitionOfStyle, styleOfOwn, StylesService } from './styles.service';

/** The styles: look, copy, change, with the weeks they make beside them at every keystroke. */
@Component({
  selector: 'y-styles',
  imports: [ProblemNote, StyleFacts, StyleForm, StylePreview],
  templateUrl: './styles.html',
})
export class StylesScreen {
  protected readonly service = inject(StylesService);
  private readonly toasts = inject(ToastService);
  private readonly chosen = signal('steady-hold');
  protected readonly draft = signal<StyleDefinition | null>(null);
  /** The own style that is edited; null for a new one. */
  private readonly editing = signal<OwnStyle | null>(null);
  protected readonly versions = signal<readonly StyleVersion[]>([]);
  private id = newId();

  protected readonly sourceWords = sourceWords;

  protected readonly style = computed((): Style => this.service.find(this.chosen()));
  protected readonly own = computed(() => this.service.own().find((o) => `own-${o.id}` === this.chosen()) ?? null);
  protected readonly shown = computed((): Style => {
    const d = this.draft();
    return d ? { ...d, id: 'draft', name: d.name || 'New style' } : this.style();
  });
  protected readonly problems = computed(() => {
    const d = this.draft();
    return d ? styleFaults(d).map(styleFaultWords) : [];
  });
  protected choose(id: string): void {
    this.chosen.set(id);
    this.draft.set(null);
    this.versions.set([]);
  }

  protected write(from: Style | null): void {
    this.editing.set(null);
    this.id = newId();
    const base = from ? definitionOfStyle(from) : EMPTY_STYLE;
    const own = { origin: 'own' as const, text: from ? `Our change of ${from.name}.` : 'Our own way of working.' };
    this.draft.set({
      ...base,
      name: from ? `Copy of ${from.name}` : '',
      sources: [...base.sources, ...(from ? [own] : [])],
    });
  }

  protected edit(own: OwnStyle): void {
    this.editing.set(own);
    this.id = own.id;
    this.draft.set(definitionOfStyle(styleOfOwn(own)));
  }

  protected async keep(): Promise<void> {
    const d = this.draft();
    if (!d || this.problems().length > 0) return;
    const kept = await this.service.keep(this.id, this.editing()?.version ?? null, false, d);
    if (!kept) return;
    this.draft.set(null);
    this.chosen.set(`own-${kept.id}`);
    this.toasts.show(`“${kept.name}” is saved. Choose it for a lane on the Block.`);
  }

  protected async archive(own: OwnStyle): Promise<void> {
    const definition = definitionOfStyle(styleOfOwn(own));
    const archived = await this.service.keep(own.id, own.version, true, definition);
    if (!archived) return;
    this.choose('steady-hold');
    this.toasts.show(`“${own.name}” is archived. Blocks that use it keep it.`, {
      label: 'Undo',
      run: () =>
        void this.service
          .keep(own.id, archived.version, false, definition)
          .then((s) => s && this.choose(`own-${s.id}`)),
    });
  }

  protected async showVersions(own: OwnStyle): Promise<void> {
    this.versions.set(await this.service.versions(own.id));
  }

  protected takeVersion(v: StyleVersion, own: OwnStyle): void {
    this.edit(own);
    this.draft.set(v.definition);
  }

  protected save(): void {
    saveJson('styles.json', this.service.file());
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
