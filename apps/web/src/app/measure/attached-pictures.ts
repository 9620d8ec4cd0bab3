import { Component, inject, input } from '@angular/core';
import type { RomTest } from '@yandle/core';
import { TestPictures } from './test-pictures';

/** Pictures of the end position that were attached to a test. */
@Component({
  selector: 'y-attached-pictures',
  template: `
    @if (pictures.of(test()); as attached) {
      @if (attached.length > 0) {
        <div class="mt-3 flex flex-wrap gap-3">
          @for (p of attached; track p.id) {
            <figure class="text-sm">
              <a [href]="pictures.url(p.id)" target="_blank" rel="noreferrer">
                <img
                  class="h-24 rounded-lg border border-line"
                  [src]="pictures.url(p.id)"
                  [alt]="'Picture of ' + test().name + (p.side ? ', ' + p.side : '')"
                />
              </a>
              <figcaption>
                {{ p.side ?? 'both' }} ·
                <button type="button" class="link" (click)="pictures.remove(p.id)">Remove</button>
              </figcaption>
            </figure>
          }
        </div>
      }
    }
  `,
})
export class AttachedPictures {
  protected readonly pictures = inject(TestPictures);
  readonly test = input.required<RomTest>();
}
