import { NgTemplateOutlet } from '@angular/common';
import { Component, computed, inject, signal } from '@angular/core';
import type { OwnStyle, StyleVersion } from '@yandle/contract';
import {
  BLOCK_BOUNDS,
  prescriptionWords,
  sourceWords,
  STYLE_TECHNIQUES,
  STYLE_BOUNDS,
  styleProblems,
  VARIABLE_NAME,
  AFTER,
  BEFORE,
  EMPTY_STYLE,
  LOADED_TECHNIQUES,
  moved,
  phaseFor,
  repsAfter,
  START_LABEL,
  startFields,
  withStart,
  withVariable,
  variablesOf,
  type Style,
  type StyleDefinition,
  type StylePhase,
  type StyleStart,
  type Technique,
  type Variable,
} from '@yandle/core';
import { newId } from '../data/ids';
import { saveJson } from '../data/json-file';
import { ToastService } from '../data/toast.service';
import { ProblemNote } from '../ui/problem-note';
import { StylePreview } from './style-preview';
import { definitionOfStyle, styleOfOwn, StylesService } from './styles.service';

/** The styles: look, copy, change, with the weeks they make beside them at every keystroke. */
@Component({
  selector: 'y-styles',
  imports: [NgTemplateOutlet, ProblemNote, StylePreview],
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
  protected readonly shownRamp = signal(0.2);
  private id = newId();

  protected readonly sourceWords = sourceWords;
  protected readonly techniques = STYLE_TECHNIQUES;
  protected readonly bounds = { ...STYLE_BOUNDS, easier: BLOCK_BOUNDS.easierEvery };
  protected readonly before = BEFORE;
  protected readonly after = AFTER;
  protected readonly ramps = [0.1, 0.2, 0.3, 0.5];
  protected readonly variableName = VARIABLE_NAME;
  protected readonly fields = startFields;
  protected readonly startLabel = START_LABEL;

  protected readonly style = computed((): Style => this.service.find(this.chosen()));
  protected readonly own = computed(() => this.service.own().find((o) => `own-${o.id}` === this.chosen()) ?? null);
  protected readonly shown = computed((): Style => {
    const d = this.draft();
    return d ? { ...d, id: 'draft', name: d.name || 'New style' } : this.style();
  });
  protected readonly problems = computed(() => {
    const d = this.draft();
    return d ? styleProblems(d) : [];
  });
  /** The style in lines, for reading. */
  protected readonly facts = computed(() =>
    this.style().phases.map((p) => ({
      technique: p.technique,
      start: prescriptionWords({ technique: p.technique, sensation: 5, ...p.start }),
      order: p.order.map((v) => VARIABLE_NAME[v]).join(' → '),
      caps: Object.entries(p.caps)
        .map(([v, n]) => `${VARIABLE_NAME[v as Variable]} ${n}`)
        .join(' · '),
    })),
  );

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
      name: from ? `${from.name}, ours` : '',
      sources: [...base.sources, ...(from ? [own] : [])],
    });
  }

  protected edit(own: OwnStyle): void {
    this.editing.set(own);
    this.id = own.id;
    this.draft.set(definitionOfStyle(styleOfOwn(own)));
  }

  protected set(part: Partial<StyleDefinition>): void {
    this.draft.update((d) => (d ? { ...d, ...part } : d));
  }

  protected setPhase(at: number, change: (p: StylePhase) => StylePhase): void {
    this.set({ phases: this.draft()!.phases.map((p, i) => (i === at ? change(p) : p)) });
  }

  protected setPhaseFloor(at: number, value: number): void {
    this.setPhase(at, (p) => ({ ...p, amountFloor: value }));
  }

  protected rampTo(ramp: number): void {
    this.shownRamp.set(ramp);
  }

  protected setTechnique(at: number, technique: string): void {
    this.setPhase(at, () => phaseFor(technique as Technique));
  }

  protected setStart(at: number, key: keyof StyleStart, value: number): void {
    this.setPhase(at, (p) => withStart(p, key, value));
  }

  protected setStep(at: number, v: Variable, value: number): void {
    this.setPhase(at, (p) => ({ ...p, step: { ...p.step, [v]: value } }));
  }

  protected setCap(at: number, v: Variable, value: number): void {
    this.setPhase(at, (p) => ({ ...p, caps: { ...p.caps, [v]: value } }));
  }

  protected move(at: number, place: number, by: number): void {
    this.setPhase(at, (p) => moved(p, place, by));
  }

  protected leave(at: number, v: Variable): void {
    this.setPhase(at, (p) => ({ ...p, order: p.order.filter((x) => x !== v) }));
  }

  protected add(at: number, field: HTMLSelectElement): void {
    if (field.value) this.setPhase(at, (p) => withVariable(p, field.value as Variable));
    field.value = '';
  }

  protected addable(p: StylePhase): Variable[] {
    return variablesOf(p, repsAfter(this.draft()!) > 0).filter((v) => !p.order.includes(v));
  }

  protected addPhase(): void {
    this.set({ phases: [...this.draft()!.phases, phaseFor(LOADED_TECHNIQUES.at(-1)!)] });
  }

  protected removePhase(at: number): void {
    this.set({ phases: this.draft()!.phases.filter((_, i) => i !== at) });
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
    if (!(await this.service.keep(own.id, own.version, true, definitionOfStyle(styleOfOwn(own))))) return;
    this.choose('steady-hold');
    this.toasts.show(`“${own.name}” is archived. Blocks that use it keep it.`);
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
