import { A11yModule } from '@angular/cdk/a11y';
import { Component, computed, effect, inject, input, signal, untracked } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import {
  boutOf,
  boutsOn,
  formatClock,
  isRedSymptom,
  sensationWords,
  SENSATION_ADVICE,
  STOP_ADVICE,
  STOP_SIGNS,
  SYMPTOMS,
  type CueKind,
  type SymptomId,
} from '@yandle/core';
import { NgIcon, provideIcons } from '@ng-icons/core';
import { lucideVolume2, lucideVolumeX } from '@ng-icons/lucide';
import { FigureView } from '../ui/figure';
import { ProblemNote } from '../ui/problem-note';
import { SaveState } from '../ui/save-state';
import { RunStore } from './run.store';
import { LibraryService } from '../library/library.service';

const HEADLINE: Readonly<Record<CueKind, string>> = {
  'warm-up': 'Warm up',
  position: 'Get into position',
  prop: 'Get ready',
  entry: 'Ease in',
  hold: 'Hold',
  push: 'Push',
  'let go': 'Let go',
  repetitions: 'Repeat slowly',
  roll: 'Roll',
  breaths: 'Breathe',
  exit: 'Come out slowly',
  rest: 'Rest',
  switch: 'Other side',
};

/** Runs a session, readable from two metres: what, which side, how long, what next. Space starts and pauses. */
@Component({
  selector: 'y-run',
  imports: [FigureView, RouterLink, ProblemNote, SaveState, A11yModule, NgIcon],
  providers: [RunStore, provideIcons({ lucideVolume2, lucideVolumeX })],
  host: { 'data-theme': 'dark', '(document:keydown)': 'key($event)' },
  templateUrl: './run.html',
  styleUrl: './run.css',
})
export class RunScreen {
  private readonly library = inject(LibraryService);
  protected readonly store = inject(RunStore);
  private readonly router = inject(Router);
  readonly sessionId = input.required<string>();

  protected readonly soundOn = signal(true);
  protected readonly asking = signal(false);
  protected readonly advice = signal<string | null>(null);
  protected readonly sensation = signal<number | null>(null);

  protected readonly symptoms = SYMPTOMS;
  protected readonly stopSigns = STOP_SIGNS.join(' · ');
  protected readonly sensationAdvice = SENSATION_ADVICE;
  protected readonly clock = formatClock;
  protected readonly scale = Array.from({ length: 11 }, (_, i) => i);
  protected readonly words = sensationWords;

  constructor() {
    effect(() => {
      const id = this.sessionId();
      untracked(() => void this.store.load(id));
    });
    effect(() => {
      const s = this.store.session();
      if (this.store.sent() && s) void this.router.navigate(['/clients', s.clientId, 'sessions', s.id]);
    });
  }

  protected readonly headline = computed(() => {
    const c = this.store.cue();
    return c ? HEADLINE[c.kind] : '';
  });
  protected readonly setWords = computed(() => {
    const c = this.store.cue();
    const item = this.store.item();
    if (!c?.set || !item) return '';
    return `set ${c.set} of ${boutsOn(boutOf(item, this.store.exercise()!), c.side).sets}`;
  });
  protected readonly nextWords = computed(() => {
    const n = this.store.next();
    if (!n) return 'Last one';
    const name = n.item === null ? '' : this.library.find(this.store.session()!.items[n.item]!.exerciseId).name;
    if (n.kind === 'position') return `Next: ${name}`;
    if (n.kind === 'switch') return `Next: ${n.side} side`;
    if (n.kind === 'rest') return `Next: rest ${n.seconds} s`;
    return `Next: ${HEADLINE[n.kind].toLowerCase()} ${n.seconds} s${n.side ? `, ${n.side}` : ''}`;
  });

  protected toggle(): void {
    if (this.store.running()) this.store.pause();
    else {
      this.advice.set(null);
      this.store.start();
    }
  }

  protected toggleSound(): void {
    this.soundOn.update((on) => !on);
    this.store.sounds.on = this.soundOn();
  }

  protected ask(): void {
    this.store.pause();
    this.asking.set(true);
  }

  protected felt(symptom: SymptomId): void {
    this.asking.set(false);
    this.advice.set(
      isRedSymptom(symptom)
        ? STOP_ADVICE
        : 'Leave this one for today. Next time stop a little earlier, where you can still talk easily.',
    );
    this.store.stop(symptom);
  }

  protected key(event: KeyboardEvent): void {
    if (this.asking() || this.store.finished() || !this.store.session()) return;
    const target = event.target as HTMLElement;
    if (target.closest('input, textarea')) return;
    if (event.key === ' ' && !target.closest('button, a')) this.toggle();
    else if (event.key === 'ArrowRight' && this.store.begun()) this.store.skip();
    else if (event.key === 'ArrowLeft' && this.store.begun()) this.store.back();
    else if (event.key === 's' && this.store.begun()) this.ask();
    else return;
    event.preventDefault();
  }
}
