import { Component, input, output } from '@angular/core';
import { Dialog } from '../ui/dialog';

/** Asks once more before an assessment is erased for good. */
@Component({
  selector: 'y-erase-dialog',
  imports: [Dialog],
  template: `
    <y-dialog labelledBy="erase-assessment" (closed)="closed.emit()">
      <h2 id="erase-assessment">Erase the assessment of {{ day() }}?</h2>
      <p class="mt-2">
        Its readings, entries and pictures are deleted and cannot be brought back. That it was erased stays in the
        studio’s record.
      </p>
      <div class="mt-4 flex gap-2">
        <button type="button" class="btn" (click)="closed.emit()">Keep it</button>
        <button type="button" class="btn btn-stop" (click)="erased.emit()">Erase for good</button>
      </div>
    </y-dialog>
  `,
})
export class EraseDialog {
  /** Its day, in words. */
  readonly day = input.required<string>();
  readonly erased = output();
  readonly closed = output();
}
