import { Component, computed, inject, input, signal } from '@angular/core';
import { INCLINOMETER_RANGES, formatNumber, type InclinometerSettings, type RomTest } from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { Api } from '../data/api';
import { problemOf } from '../data/problem';
import { CaptureStore, ANGLE_FORMULAS, readingOfAngle, type ReadingAs } from './capture.store';

const SETTINGS: readonly { key: keyof InclinometerSettings; label: string; step: number; unit: string }[] = [
  { key: 'trueAngle', label: 'True angle', step: 1, unit: '°' },
  { key: 'tremor', label: 'Tremor', step: 0.1, unit: '° SD' },
  { key: 'settling', label: 'Settling', step: 0.1, unit: 's' },
  { key: 'driftPerMinute', label: 'Drift', step: 0.5, unit: '°/min' },
  { key: 'dropOuts', label: 'Drop-outs', step: 0.05, unit: 'share' },
];

/** The live angle of a sensor: how still it is, its zero, and for the simulated device what it should show. */
@Component({
  selector: 'y-instrument-panel',
  template: `
    <section class="sheet flex flex-wrap items-center gap-x-6 gap-y-3 p-4" aria-label="Live angle">
      @let state = capture.source().state();
      @if (state.kind === 'failed') {
        <p class="note text-sm" role="alert">{{ state.message }}</p>
      } @else {
        <div class="flex items-center gap-4">
          <svg viewBox="0 0 80 80" class="h-20 w-20" aria-hidden="true">
            <path
              d="M8 62 A40 40 0 0 1 72 62"
              fill="none"
              stroke="var(--track)"
              stroke-width="9"
              stroke-linecap="round"
            />
            <path
              d="M8 62 A40 40 0 0 1 72 62"
              fill="none"
              [attr.stroke]="capture.held() !== null ? 'var(--action)' : 'var(--sense-5)'"
              stroke-width="9"
              stroke-linecap="round"
              pathLength="100"
              [attr.stroke-dasharray]="(capture.held() !== null ? 100 : capture.filled() * 100) + ' 100'"
            />
            <line
              x1="40"
              y1="62"
              [attr.x2]="needle().x"
              [attr.y2]="needle().y"
              stroke="var(--ink)"
              stroke-width="4"
              stroke-linecap="round"
            />
          </svg>
          <div>
            <p class="font-serif text-4xl leading-none font-semibold whitespace-nowrap" data-testid="live">
              {{ liveWords() }}
            </p>
            <p class="mt-1 text-sm text-soft" aria-live="polite">{{ stateWords() }}</p>
          </div>
        </div>
        <div class="flex flex-wrap items-center gap-2">
          <button type="button" class="btn" [disabled]="capture.live() === null" (click)="capture.setZero()">
            Zero here
          </button>
          @if (capture.zeroAt() !== 0) {
            <button type="button" class="btn" (click)="capture.clearZero()">Clear the zero</button>
          }
          <button type="button" class="btn" [disabled]="capture.held() === null" (click)="capture.again()">
            Same angle again
          </button>
          <label class="flex items-center gap-2 text-sm">
            <span class="font-semibold">Reading is</span>
            <select class="input !w-auto" #form (change)="setAs(form.value)">
              @for (r of readingsAs; track r) {
                <option [value]="r" [selected]="r === capture.angleFormula(test().id)">{{ r }}</option>
              }
            </select>
          </label>
          @if (capture.kind() === 'phone') {
            <label class="flex items-center gap-2 text-sm">
              <span class="font-semibold">Phone lies</span>
              <select
                class="input !w-auto"
                #hold
                (change)="capture.phone.hold.set(hold.value === 'edge' ? 'edge' : 'flat')"
              >
                <option value="flat">with its back on the limb</option>
                <option value="edge">with its long edge on the limb</option>
              </select>
            </label>
          }
        </div>
      }
      @if (capture.kind() === 'inclinometer') {
        <details class="w-full text-sm" (toggle)="openSettings()">
          <summary class="font-semibold">Simulated device: what it shows</summary>
          @if (settings(); as s) {
            <form class="mt-2 flex flex-wrap items-end gap-3" (submit)="send($event)">
              @for (f of fields; track f.key) {
                <label class="field">
                  <span class="label">{{ f.label }} ({{ f.unit }})</span>
                  <input
                    class="input !w-28"
                    type="number"
                    [attr.name]="f.key"
                    [attr.min]="ranges[f.key][0]"
                    [attr.max]="ranges[f.key][1]"
                    [attr.step]="f.step"
                    [value]="s[f.key]"
                  />
                </label>
              }
              <button class="btn" type="submit">Set the device</button>
              @if (message(); as words) {
                <span class="text-sm text-soft" role="status">{{ words }}</span>
              }
            </form>
            <p class="hint mt-2">
              A stand-in for a real inclinometer: the limb moves to the true angle within the settling time, the hand
              trembles, the zero drifts, and samples get lost.
            </p>
          }
        </details>
      }
    </section>
  `,
})
export class InstrumentPanel {
  protected readonly capture = inject(CaptureStore);
  private readonly api = inject(Api);
  readonly test = input.required<RomTest>();
  protected readonly readingsAs = ANGLE_FORMULAS;
  protected readonly fields = SETTINGS;
  protected readonly ranges = INCLINOMETER_RANGES;
  protected readonly settings = signal<InclinometerSettings | null>(null);
  protected readonly message = signal('');

  protected readonly needle = computed(() => {
    const a = (Math.max(-90, Math.min(90, this.capture.live() ?? 0)) * Math.PI) / 180;
    return { x: 40 + 30 * Math.cos(a) * 0.9, y: 62 - 44 * Math.sin(a) };
  });
  protected readonly liveWords = computed(() => {
    const live = this.capture.live();
    return live === null ? '– °' : `${formatNumber(readingOfAngle(live, this.capture.angleFormula(this.test().id)))}°`;
  });
  protected readonly stateWords = computed(() => {
    const state = this.capture.source().state();
    if (state.kind === 'connecting') return 'Connecting …';
    if (this.capture.live() === null) return 'No signal';
    if (this.capture.held() !== null) return 'Taken. Move the limb for the next reading.';
    const sd = this.capture.sd();
    if (sd === null) return 'Hold still for one second';
    return `Moving (±${formatNumber(sd)}°). Keep within ±${formatNumber(this.capture.maxSd)}°.`;
  });

  protected setAs(value: string): void {
    this.capture.setAs(this.test().id, value as ReadingAs);
  }

  protected async openSettings(): Promise<void> {
    if (this.settings()) return;
    try {
      this.settings.set((await firstValueFrom(this.api.inclinometer())).settings);
    } catch {
      this.settings.set(null);
    }
  }

  protected async send(event: Event): Promise<void> {
    event.preventDefault();
    const form = new FormData(event.target as HTMLFormElement);
    const body = { ...this.settings()! };
    for (const f of SETTINGS) body[f.key] = Number(form.get(f.key));
    try {
      const { settings } = await firstValueFrom(this.api.setInclinometer(body));
      this.settings.set(settings);
      this.message.set('Set.');
    } catch (err) {
      const problem = problemOf(err);
      this.message.set(problem.errors?.map((e) => `${e.path}: ${e.message}`).join(' ') ?? problem.detail);
    }
  }
}
