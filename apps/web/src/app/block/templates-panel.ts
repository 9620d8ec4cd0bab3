import { Requests } from '../data/requests';
import { Component, computed, inject, input, output, signal } from '@angular/core';
import {
  OWN_TEMPLATE_PREFIX,
  type Block,
  type ClientListItem,
  type OwnTemplate,
  type TemplateFile,
} from '@yandle/contract';
import { ClientPicker } from '../frame/client-picker';
import {
  counted,
  formatDate,
  lowerFirst,
  muscleGroupName,
  TEMPLATES,
  type BlockTemplate,
  type TemplateDefinition,
  FILE_VERSION,
} from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { Api } from '../data/api';
import { newId } from '../data/ids';
import { NO_JSON, saveJson } from '../data/json-file';
import { StylesService } from '../styles/styles.service';
import { ProblemNote } from '../ui/problem-note';

/** An own template as the computation knows it. */
function templateOfOwn({ version: _v, archived: _r, ...own }: OwnTemplate): BlockTemplate {
  return { ...own, id: OWN_TEMPLATE_PREFIX + own.id };
}

/** Blocks without a client: those that ship and the studio's own. Take one, keep this block as one, bring files in and out. */
@Component({
  selector: 'y-templates-panel',
  imports: [ClientPicker, ProblemNote],
  templateUrl: './templates-panel.html',
})
export class TemplatesPanel {
  private readonly api = inject(Api);
  private readonly styles = inject(StylesService);
  /** Whether the present draft can be replaced, and kept as a template. */
  readonly usable = input(true);
  /** The present draft as a template under a name; null when there is nothing to keep. */
  readonly make = input<((name: string, summary: string) => TemplateDefinition) | null>(null);
  readonly taken = output<BlockTemplate>();
  readonly copied = output<Block>();
  /** A client whose blocks are looked at. */
  protected readonly theirs = signal<{ readonly name: string; readonly blocks: readonly Block[] } | null>(null);
  readonly closed = output();
  protected readonly own = signal<readonly OwnTemplate[]>([]);
  protected readonly requests = new Requests();
  protected readonly problem = this.requests.problem;
  protected readonly message = signal('');
  protected readonly shipped = TEMPLATES;
  protected readonly ownList = computed(() => this.own().filter((t) => !t.archived));
  private id = newId();

  constructor() {
    void this.attempt(async () => this.own.set(await firstValueFrom(this.api.ownTemplates())));
  }

  protected lanesOf(t: TemplateDefinition): string {
    return t.lanes
      .map((l) => `${muscleGroupName(l.group)} (${this.styles.find(l.styleId).name.toLowerCase()})`)
      .join(', ');
  }

  protected async blocksOf(client: ClientListItem): Promise<void> {
    this.theirs.set(null);
    await this.attempt(async () => {
      this.theirs.set({ name: client.name, blocks: await firstValueFrom(this.api.blocks(client.id)) });
    });
  }

  protected blockLine(b: Block): string {
    const groups = b.lanes.map((l) => lowerFirst(muscleGroupName(l.group))).join(', ');
    return `${formatDate(b.startDate, 'd MMM yyyy')}, ${counted(b.weeks, 'week')}: ${groups}`;
  }

  protected takeOwn(t: OwnTemplate): void {
    this.taken.emit(templateOfOwn(t));
  }

  protected async keep(event: Event, name: HTMLInputElement, summary: HTMLInputElement): Promise<void> {
    event.preventDefault();
    const make = this.make();
    if (!make || name.value.trim() === '') return;
    await this.attempt(async () => {
      const definition = make(name.value.trim(), summary.value.trim());
      await firstValueFrom(this.api.putOwnTemplate(this.id, { ...definition, version: null, archived: false }));
      this.id = newId();
      this.own.set(await firstValueFrom(this.api.ownTemplates()));
      this.message.set(`“${name.value.trim()}” is saved as a template, without the client’s data.`);
      name.value = '';
      summary.value = '';
    });
  }

  protected async archive(t: OwnTemplate): Promise<void> {
    const { id, version, archived: _, ...definition } = t;
    await this.attempt(async () => {
      await firstValueFrom(this.api.putOwnTemplate(id, { ...definition, version, archived: true }));
      this.own.set(await firstValueFrom(this.api.ownTemplates()));
      this.message.set(`“${t.name}” is archived.`);
    });
  }

  protected save(): void {
    const templates = this.ownList().map(({ id: _i, version: _v, archived: _r, ...definition }) => definition);
    const file: TemplateFile = { format: 'yandle-templates', formatVersion: FILE_VERSION, templates };
    saveJson('templates.json', file);
  }

  protected async open(field: HTMLInputElement): Promise<void> {
    const file = field.files?.[0];
    field.value = '';
    if (!file) return;
    let content: unknown;
    try {
      content = JSON.parse(await file.text());
    } catch {
      this.problem.set(NO_JSON);
      return;
    }
    await this.attempt(async () => {
      const { added, same } = await firstValueFrom(this.api.importTemplates(content));
      this.own.set(await firstValueFrom(this.api.ownTemplates()));
      this.message.set(`${added} added${same > 0 ? `, ${same} were there already` : ''}.`);
    });
  }

  private async attempt(work: () => Promise<unknown>): Promise<void> {
    await this.requests.run(async () => {
      await work();
    });
  }
}
