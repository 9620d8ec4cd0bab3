import { Requests } from '../data/requests';
import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { OWN_STYLE_PREFIX, type OwnStyle, type StyleFile, type StyleVersion } from '@yandle/contract';
import { CoreError, findStyleAmong, STYLES, type Style, type StyleDefinition, FILE_VERSION } from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { AccountService } from '../data/account.service';
import { Api } from '../data/api';
import { NO_JSON } from '../data/json-file';

/** An own style as the computation knows it. */
export function styleOfOwn({ version: _v, archived: _r, ...own }: OwnStyle): Style {
  return { ...own, id: OWN_STYLE_PREFIX + own.id };
}

/** What is stored and exported of a style: all but its id. */
export function definitionOfStyle({ id: _, ...definition }: Style): StyleDefinition {
  return definition;
}

/** The styles a studio works with: those that ship and its own. */
@Injectable({ providedIn: 'root' })
export class StylesService {
  private readonly api = inject(Api);
  private readonly account = inject(AccountService);
  readonly own = signal<readonly OwnStyle[]>([]);
  readonly requests = new Requests();
  readonly problem = this.requests.problem;
  private loading: Promise<void> = Promise.resolve();
  /** Styles to choose from; archived ones are still found. */
  readonly styles = computed((): readonly Style[] => [
    ...STYLES,
    ...this.own()
      .filter((o) => !o.archived)
      .map(styleOfOwn),
  ]);
  private readonly search = computed(() => findStyleAmong(this.own().map(styleOfOwn)));

  constructor() {
    effect(() => {
      const coach = this.account.me()?.coach.id;
      untracked(() => {
        this.own.set([]);
        if (coach) this.loading = this.load();
      });
    });
  }

  /** Resolves when the studio's own styles have been asked for, answered or not. */
  ready(): Promise<void> {
    return this.loading;
  }

  /** A style by its id, archived ones too. Until the studio's own are here, the first that ships stands in. */
  find(id: string): Style {
    try {
      return this.search()(id);
    } catch (err) {
      if (!(err instanceof CoreError)) throw err;
      return { ...STYLES[0]!, id, name: 'A style of the studio' };
    }
  }

  async load(): Promise<void> {
    await this.attempt(async () => this.own.set(await firstValueFrom(this.api.ownStyles())));
  }

  async keep(
    id: string,
    version: number | null,
    archived: boolean,
    definition: StyleDefinition,
  ): Promise<OwnStyle | null> {
    let kept: OwnStyle | null = null;
    await this.attempt(async () => {
      kept = await firstValueFrom(this.api.putOwnStyle(id, { ...definition, version, archived }));
      this.own.set(await firstValueFrom(this.api.ownStyles()));
    });
    return kept;
  }

  versions(id: string): Promise<StyleVersion[]> {
    return firstValueFrom(this.api.styleVersions(id));
  }

  /** The studio's own styles as a file. */
  file(): StyleFile {
    const styles = this.own()
      .filter((o) => !o.archived)
      .map((o) => definitionOfStyle(styleOfOwn(o)));
    return { format: 'yandle-styles', formatVersion: FILE_VERSION, styles };
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
    let words: string | null = null;
    await this.attempt(async () => {
      const { added, same } = await firstValueFrom(this.api.importStyles(file));
      words = `${added} added${same > 0 ? `, ${same} were there already` : ''}.`;
      this.own.set(await firstValueFrom(this.api.ownStyles()));
    });
    return words;
  }

  private async attempt(work: () => Promise<unknown>): Promise<void> {
    await this.requests.run(async () => {
      await work();
    });
  }
}
