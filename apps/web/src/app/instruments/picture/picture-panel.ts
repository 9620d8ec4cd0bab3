import { oneOf } from '../../ui/one-of';
import { Component, computed, DestroyRef, ElementRef, inject, input, output, signal, viewChild } from '@angular/core';
import {
  formatNumber,
  horizonTilt,
  PICTURE_READINGS,
  PICTURE_WAYS,
  type PictureReading,
  type PictureWay,
  WAYS_OF,
} from '@yandle/core';
import {
  angleOf,
  moved,
  POINT_NAMES,
  startPoints,
  zoomed,
  type PointIndex,
  type Points,
  type Window,
} from './picture-points';

/** Longest edge of an attached picture, pixels. */
const LONGEST = 1600;

/** Which way an angle counts, as the list says it. */
const WAY_WORDS: Readonly<Record<PictureWay, string>> = {
  either: 'not said: never negative',
  clockwise: 'clockwise; past straight is negative',
  'counter-clockwise': 'counter-clockwise; past straight is negative',
  above: 'above level; below is negative',
  below: 'below level; above is negative',
  left: 'left of upright; right is negative',
  right: 'right of upright; left is negative',
};

interface Loaded {
  readonly url: string;
  readonly width: number;
  readonly height: number;
}

/** An angle from a picture: three points, and two of the horizon when the camera was tilted. The picture stays in the browser. */
@Component({
  selector: 'y-picture-panel',
  templateUrl: './picture-panel.html',
})
export class PicturePanel {
  /** The test needs an angle against space only when its reading says so; the coach chooses. */
  readonly side = input.required<string>();
  readonly used = output<number>();
  readonly attached = output<Blob>();
  protected readonly readings = PICTURE_READINGS;
  protected readonly choose = (text: string): void => this.reading.set(oneOf(PICTURE_READINGS, text) ?? this.reading());
  protected readonly names = POINT_NAMES;
  protected readonly picture = signal<Loaded | null>(null);
  protected readonly video = signal<string | null>(null);
  protected readonly problem = signal('');
  protected readonly points = signal<Points | null>(null);
  protected readonly window = signal<Window | null>(null);
  protected readonly reading = signal<PictureReading>('between');
  /** Which way counts as positive; one of another reading counts as not said. */
  private readonly chosenWay = signal<PictureWay>('either');
  protected readonly way = computed(() =>
    WAYS_OF[this.reading()].includes(this.chosenWay()) ? this.chosenWay() : 'either',
  );
  protected readonly ways = computed(() => WAYS_OF[this.reading()].map((way) => ({ way, words: WAY_WORDS[way] })));
  protected readonly chooseWay = (text: string): void =>
    this.chosenWay.set(oneOf(PICTURE_WAYS, text) ?? this.chosenWay());
  protected readonly horizon = signal(false);
  protected readonly active = signal<PointIndex>(0);
  private readonly svg = viewChild<ElementRef<SVGSVGElement>>('svg');
  private readonly film = viewChild<ElementRef<HTMLVideoElement>>('film');
  private dragging: PointIndex | null = null;

  constructor() {
    inject(DestroyRef).onDestroy(() => this.drop());
  }

  protected readonly shown = computed((): readonly PointIndex[] => (this.horizon() ? [0, 1, 2, 3, 4] : [0, 1, 2]));
  protected readonly result = computed(() => {
    const p = this.points();
    return p ? angleOf(p, this.reading(), this.horizon(), this.way()) : null;
  });
  protected readonly words = computed(() => {
    const r = this.result();
    if (!r) return '';
    return 'angle' in r ? `${formatNumber(r.angle)}°` : r.error;
  });
  protected readonly angle = computed(() => {
    const r = this.result();
    return r && 'angle' in r ? r.angle : null;
  });
  protected readonly tiltWords = computed(() => {
    const p = this.points();
    if (!p || !this.horizon()) return '';
    try {
      const tilt = horizonTilt([p[3], p[4]]);
      return this.reading() === 'between' || this.reading() === 'short of straight'
        ? `Camera tilted ${formatNumber(tilt)}°: an angle between two arms is not changed by it.`
        : `Camera tilted ${formatNumber(tilt)}°: the angle is corrected for it.`;
    } catch {
      return 'Set the two horizon points apart.';
    }
  });
  protected readonly viewBox = computed(() => {
    const w = this.window();
    return w ? `${w.x} ${w.y} ${w.width} ${w.height}` : '0 0 1 1';
  });
  /** Pixels of the picture that make one pixel of the drawing's marks. */
  protected readonly unit = computed(() => (this.window()?.width ?? 800) / 800);

  protected async load(event: Event): Promise<void> {
    const file = (event.target as HTMLInputElement).files?.[0];
    if (!file) return;
    this.drop();
    if (file.type.startsWith('video/')) return this.video.set(URL.createObjectURL(file));
    await this.show(file);
  }

  /** The frame of the film that is seen now. */
  protected async takeFrame(): Promise<void> {
    const film = this.film()!.nativeElement;
    const canvas = document.createElement('canvas');
    canvas.width = film.videoWidth;
    canvas.height = film.videoHeight;
    canvas.getContext('2d')!.drawImage(film, 0, 0);
    const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', 0.92));
    if (!blob) return this.problem.set('This frame could not be read. Try another, or a photo.');
    this.drop();
    await this.show(blob);
  }

  private async show(file: Blob): Promise<void> {
    const url = URL.createObjectURL(file);
    const image = new Image();
    image.src = url;
    try {
      await image.decode();
    } catch {
      URL.revokeObjectURL(url);
      return this.problem.set('This file can’t be shown as a picture. Choose a JPEG or PNG.');
    }
    const { naturalWidth: width, naturalHeight: height } = image;
    this.problem.set('');
    this.picture.set({ url, width, height });
    this.points.set(startPoints(width, height));
    this.window.set({ x: 0, y: 0, width, height });
  }

  /** Lets go of the picture: nothing of it is kept. */
  private drop(): void {
    for (const url of [this.picture()?.url, this.video()]) if (url) URL.revokeObjectURL(url);
    this.picture.set(null);
    this.video.set(null);
    this.points.set(null);
  }

  private at(event: PointerEvent | WheelEvent): { x: number; y: number } {
    const svg = this.svg()!.nativeElement;
    const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM()!.inverse());
    return { x: p.x, y: p.y };
  }

  protected grab(event: PointerEvent, i: PointIndex): void {
    event.preventDefault();
    event.stopPropagation();
    this.dragging = i;
    this.active.set(i);
    (event.target as Element).setPointerCapture(event.pointerId);
  }

  /** A press on the picture puts the chosen point there. */
  protected place(event: PointerEvent): void {
    this.move(this.active(), this.at(event));
    if (this.active() < this.shown().length - 1) this.active.update((i) => (i + 1) as PointIndex);
  }

  protected drag(event: PointerEvent): void {
    if (this.dragging !== null) this.move(this.dragging, this.at(event));
  }

  protected release(): void {
    this.dragging = null;
  }

  private move(i: PointIndex, to: { x: number; y: number }): void {
    const { width, height } = this.picture()!;
    this.points.update((p) => moved(p!, i, to, width, height));
  }

  protected nudge(event: KeyboardEvent, i: PointIndex): void {
    const by: Record<string, [number, number]> = {
      ArrowLeft: [-1, 0],
      ArrowRight: [1, 0],
      ArrowUp: [0, -1],
      ArrowDown: [0, 1],
    };
    const step = by[event.key];
    if (!step) return;
    event.preventDefault();
    const size = (event.shiftKey ? 10 : 1) * Math.max(0.5, this.unit());
    const p = this.points()![i];
    this.move(i, { x: p.x + step[0] * size, y: p.y + step[1] * size });
  }

  protected wheel(event: WheelEvent): void {
    event.preventDefault();
    this.zoom(event.deltaY < 0 ? 1.25 : 0.8, this.at(event));
  }

  protected zoom(by: number, about = this.points()![this.active()]): void {
    const { width, height } = this.picture()!;
    this.window.update((w) => zoomed(w!, about, by, width, height));
  }

  protected use(): void {
    const angle = this.angle();
    if (angle !== null) this.used.emit(angle);
  }

  /** The picture with its points drawn in, made smaller: that is what the record keeps. */
  protected async attach(): Promise<void> {
    const { url, width, height } = this.picture()!;
    const image = new Image();
    image.src = url;
    await image.decode();
    const scale = Math.min(1, LONGEST / Math.max(width, height));
    const canvas = document.createElement('canvas');
    canvas.width = Math.round(width * scale);
    canvas.height = Math.round(height * scale);
    const c = canvas.getContext('2d')!;
    c.drawImage(image, 0, 0, canvas.width, canvas.height);
    const [a, b, d] = this.points()!.map((p) => ({ x: p.x * scale, y: p.y * scale }));
    c.lineWidth = Math.max(3, canvas.width / 250);
    c.strokeStyle = '#d6873b';
    c.beginPath();
    c.moveTo(a!.x, a!.y);
    c.lineTo(b!.x, b!.y);
    c.lineTo(d!.x, d!.y);
    c.stroke();
    const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', 0.85));
    if (blob) this.attached.emit(blob);
    else this.problem.set('The picture could not be made ready. Try again.');
  }
}
