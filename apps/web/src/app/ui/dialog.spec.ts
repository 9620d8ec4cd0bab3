import { Component, signal } from '@angular/core';
import { Screen } from '../testing/screen';
import { Dialog } from './dialog';

@Component({
  selector: 'y-dialog-host',
  imports: [Dialog],
  template: `
    <button type="button" (click)="open.set(true)">Open</button>
    @if (open()) {
      <y-dialog labelledBy="title" (closed)="open.set(false)">
        <h2 id="title">What do you feel?</h2>
        <button type="button" (click)="open.set(false)">Nothing</button>
      </y-dialog>
    }
  `,
})
class Host {
  readonly open = signal(false);
}

describe('Dialog', () => {
  // That it takes the focus needs a layout: the browser tests see it.
  it('is named by its heading, and closes by Escape or from inside', async () => {
    const screen = await Screen.open(Host);
    document.body.append(screen.el);
    await screen.press('Open');
    const dialog = screen.el.querySelector<HTMLElement>('[role=dialog]')!;
    expect(dialog.getAttribute('aria-modal')).toBe('true');
    expect(document.getElementById(dialog.getAttribute('aria-labelledby')!)?.textContent).toBe('What do you feel?');
    dialog.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape', bubbles: true }));
    await screen.settle();
    expect(screen.el.querySelector('[role=dialog]')).toBeNull();
    await screen.press('Open');
    await screen.press('Nothing');
    expect(screen.el.querySelector('[role=dialog]')).toBeNull();
    screen.el.remove();
  });
});
