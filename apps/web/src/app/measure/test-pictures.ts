import { inject, Injectable } from '@angular/core';
import type { RomTest, Side } from '@yandle/core';
import { firstValueFrom } from 'rxjs';
import { Api, V1 } from '../data/api';
import { newId } from '../data/ids';
import { problemOf } from '../data/problem';
import { ToastService } from '../data/toast.service';
import { MeasureStore } from './measure.store';

/** Pictures of a test: they stay in the browser until a coach attaches one. */
@Injectable()
export class TestPictures {
  private readonly api = inject(Api);
  private readonly store = inject(MeasureStore);
  private readonly toasts = inject(ToastService);

  url(id: string): string {
    return `${V1}/pictures/${id}`;
  }

  of(test: RomTest) {
    return this.store.assessment()!.pictures.filter((p) => p.testId === test.id);
  }

  /** @param side that the instruments point at */
  async attach(picture: Blob, side: Side | null): Promise<void> {
    const assessment = this.store.assessment()!;
    const test = this.store.test();
    const id = newId();
    try {
      await firstValueFrom(this.api.attachPicture(assessment.id, id, test.id, side, picture));
      this.store.setPictures([...assessment.pictures, { id, testId: test.id, side }]);
      this.toasts.show('Picture saved.');
    } catch (err) {
      this.toasts.show(`Not attached: ${problemOf(err).detail}`);
    }
  }

  async remove(id: string): Promise<void> {
    try {
      await firstValueFrom(this.api.removePicture(id));
      this.store.setPictures(this.store.assessment()!.pictures.filter((p) => p.id !== id));
    } catch (err) {
      this.toasts.show(`Not removed: ${problemOf(err).detail}`);
    }
  }
}
