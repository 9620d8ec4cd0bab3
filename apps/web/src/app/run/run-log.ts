import { signal } from '@angular/core';
import type { SetLogBody } from '@yandle/contract';
import type { SessionItem, SetDone } from '@yandle/core';
import { newId } from '../data/ids';
import type { KeptRun, SentLog, UsedLoad } from './kept-run';

type Kept = Pick<KeptRun, 'logged' | 'forms' | 'used'>;
const keyOf = (b: Pick<SetLogBody, 'item' | 'side' | 'set'>): string => `${b.item}|${b.side}|${b.set}`;

/** What is logged of a run, set by set, with the forms and loads chosen on the spot. A set done again replaces the log before it. */
export class RunLog {
  /** Forms chosen, by place of the item. */
  readonly forms = signal<Readonly<Record<number, string>>>({});
  /** Loads and help changed, by place of the item. */
  readonly used = signal<Readonly<Record<number, UsedLoad>>>({});
  /** The log sent last: what is said of it afterwards goes to it. */
  readonly last = signal<SentLog | null>(null);
  private logged: Record<string, SentLog> = {};

  /** @param post sends a log; a lost connection is not its caller's business */
  constructor(private readonly post: (id: string, body: SetLogBody) => void) {}

  restore({ logged, forms, used }: Kept): void {
    this.logged = { ...logged };
    this.forms.set(forms);
    this.used.set(used);
  }

  get kept(): Kept {
    return { logged: this.logged, forms: this.forms(), used: this.used() };
  }

  /** Another form of an exercise, or its choice; null goes back to what was planned. */
  takeForm(place: number, exerciseId: string | null): void {
    this.forms.update((f) => {
      const { [place]: _, ...rest } = f;
      return exerciseId === null ? rest : { ...rest, [place]: exerciseId };
    });
  }

  setLoad(place: number, load: UsedLoad): void {
    this.used.update((u) => ({ ...u, [place]: load }));
  }

  add({ item: place, side, set, plannedSeconds, doneSeconds, pieces, reps }: SetDone, item: SessionItem): void {
    const used = this.used()[place];
    const load = used ? used.load : (item.load ?? null);
    const assistance = used ? used.assistance : (item.assistance ?? null);
    const replaces = this.logged[keyOf({ item: place, side, set })]?.id ?? null;
    this.send({
      ...{ item: place, side, set, plannedSeconds, doneSeconds, replaces, pieces, reps },
      form: this.forms()[place] ?? null,
      load,
      loadUnit: load === null ? null : (item.loadUnit ?? 'kg'),
      assistance,
    });
  }

  /** Says something more of the log sent last; the log before it is kept. */
  amend(part: Pick<SetLogBody, 'depthCm'> | Pick<SetLogBody, 'sensation'>): void {
    const last = this.last();
    if (last) this.send({ ...last.body, ...part, replaces: last.id });
  }

  private send(body: SetLogBody): void {
    const sent = { id: newId(), body };
    this.logged[keyOf(body)] = sent;
    this.last.set(sent);
    this.post(sent.id, body);
  }
}
