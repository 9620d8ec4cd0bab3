import { Component, computed, input, inject } from '@angular/core';
import { CUE_KIND_WORDS, formatClock, type SessionItem, type Timeline } from '@yandle/core';
import { LibraryService } from '../library/library.service';

/** A session to scale: every cue as wide as it is long; work above the line on the left, below it on the right side. */
@Component({
  selector: 'y-session-scale',
  template: `
    <figure>
      <svg
        class="block h-20 w-full"
        viewBox="0 0 1000 80"
        preserveAspectRatio="none"
        role="img"
        [attr.aria-label]="spoken()"
      >
        @for (b of bars(); track $index) {
          <rect
            [attr.x]="b.x"
            [attr.y]="b.y"
            [attr.width]="b.w"
            [attr.height]="b.h"
            [style.fill]="b.fill"
            [attr.stroke]="b.parted ? 'var(--paper)' : null"
            stroke-width="1.5"
            vector-effect="non-scaling-stroke"
          >
            <title>{{ b.title }}</title>
          </rect>
        }
        <line
          x1="0"
          x2="1000"
          y1="40"
          y2="40"
          stroke="var(--ink)"
          stroke-width="1"
          vector-effect="non-scaling-stroke"
        />
      </svg>
      <div class="relative mt-1 h-5 text-sm">
        @for (m of marks(); track m.at) {
          <span
            class="absolute truncate border-l border-edge pl-1 text-soft"
            [style.left.%]="m.left"
            [style.max-width.%]="m.width"
            >{{ m.text }}</span
          >
        }
      </div>
      <figcaption class="mt-1 flex flex-wrap gap-x-5 text-sm text-soft">
        <span><span class="mr-1 inline-block h-3 w-3 rounded-sm bg-l-bar"></span>work, left</span>
        <span><span class="mr-1 inline-block h-3 w-3 rounded-sm bg-r-bar"></span>work, right</span>
        <span><span class="mr-1 inline-block h-3 w-3 rounded-sm bg-minutes"></span>warm-up</span>
        <span><span class="mr-1 inline-block h-3 w-3 rounded-sm bg-line"></span>set-up, rest, changes</span>
      </figcaption>
    </figure>
  `,
})
export class SessionScale {
  private readonly library = inject(LibraryService);
  readonly timeline = input.required<Timeline>();
  readonly items = input.required<readonly SessionItem[]>();

  protected readonly bars = computed(() => {
    const { cues, totalSeconds } = this.timeline();
    const x = (s: number) => (s / totalSeconds) * 1000;
    return cues.map((c) => {
      const title = `${formatClock(c.start)} ${CUE_KIND_WORDS[c.kind]}${c.side ? `, ${c.side}` : ''}, ${c.seconds} s`;
      const base = { x: x(c.start), w: x(c.seconds), title, parted: c.bout !== null };
      if (c.kind === 'warm-up') return { ...base, y: 24, h: 32, fill: 'var(--minutes)' };
      if (c.kind === 'push') return { ...base, y: 30, h: 20, fill: 'var(--edge)' };
      if (c.bout === null) return { ...base, y: 35, h: 10, fill: 'var(--line)' };
      if (c.side === null) return { ...base, y: 6, h: 68, fill: 'var(--sense-5)' };
      return c.side === 'left'
        ? { ...base, y: 6, h: 34, fill: 'var(--left-bar)' }
        : { ...base, y: 40, h: 34, fill: 'var(--right-bar)' };
    });
  });

  protected readonly marks = computed(() => {
    const { cues, totalSeconds } = this.timeline();
    const starts = [
      ...(cues[0]?.kind === 'warm-up' ? [{ at: 0, text: 'Warm-up' }] : []),
      ...this.items().map((item, i) => ({
        at: cues.find((c) => c.item === i)?.start ?? 0,
        text: this.library.find(item.exerciseId).name,
      })),
    ].sort((a, b) => a.at - b.at);
    return starts.map((s, i) => {
      const end = starts[i + 1]?.at ?? totalSeconds;
      return {
        ...s,
        text: `${formatClock(s.at)} ${s.text}`,
        left: (s.at / totalSeconds) * 100,
        width: ((end - s.at) / totalSeconds) * 100,
      };
    });
  });

  protected readonly spoken = computed(
    () =>
      `Timeline of ${formatClock(this.timeline().totalSeconds)} minutes: ${this.marks()
        .map((m) => m.text)
        .join(', ')}`,
  );
}
