import { Component, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { FocusKeeper } from './focus-keeper';

@Component({
  template: `
    <main id="main">
      <h1>Things</h1>
      <ul>
        @for (t of things(); track t) {
          <li>
            {{ t }} <button type="button" [id]="t">Remove {{ t }}</button>
          </li>
        }
      </ul>
      @if (form()) {
        <form><input id="name" /></form>
      }
      <button type="button" id="save" [disabled]="busy()">Save</button>
      <section data-focus-rest id="player">
        @if (begun()) {
          <button type="button" id="skip">Skip</button>
        } @else {
          <button type="button" id="start">Start</button>
        }
      </section>
    </main>
  `,
})
class Page {
  readonly things = signal(['a', 'b', 'c']);
  readonly form = signal(true);
  readonly busy = signal(false);
  readonly begun = signal(false);
}

// Issue "Safe hands" 4: focus stays with the work.
describe('FocusKeeper', () => {
  async function open() {
    const fixture = TestBed.createComponent(Page);
    document.body.append(fixture.nativeElement as HTMLElement);
    TestBed.inject(FocusKeeper).start();
    await fixture.whenStable();
    const settle = async () => {
      fixture.detectChanges();
      await fixture.whenStable();
      await new Promise((r) => setTimeout(r));
    };
    const focus = (id: string) => document.getElementById(id)!.focus();
    return { page: fixture.componentInstance, settle, focus };
  }
  const at = () => document.activeElement?.id || document.activeElement?.textContent.trim();

  it('goes to the next in a list when one is removed, and to the one before at its end', async () => {
    const { page, settle, focus } = await open();
    focus('b');
    page.things.set(['a', 'c']);
    await settle();
    expect(at()).toBe('c');
    page.things.set(['a']);
    await settle();
    expect(at()).toBe('a');
  });
  it('stays near when the whole place goes', async () => {
    const { page, settle, focus } = await open();
    focus('name');
    page.form.set(false);
    await settle();
    // No control is left in its place: the page's heading, so that a reader begins there.
    expect(at()).toBe('Things');
  });
  it('comes back to what was switched off for a moment', async () => {
    const { page, settle, focus } = await open();
    focus('save');
    page.busy.set(true);
    await settle();
    page.busy.set(false);
    await settle();
    expect(at()).toBe('save');
  });
  it('rests where the next control must not be pressed by mistake', async () => {
    const { page, settle, focus } = await open();
    focus('start');
    page.begun.set(true);
    await settle();
    expect(at()).toBe('player');
  });
  it('is let go of by whoever clicks beside everything', async () => {
    const { page, settle, focus } = await open();
    focus('b');
    document.getElementById('b')!.blur();
    await settle();
    page.things.set(['a', 'c']);
    await settle();
    expect(document.activeElement).toBe(document.body);
  });
});
