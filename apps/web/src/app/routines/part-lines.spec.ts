import { Component, signal } from '@angular/core';
import { exerciseById, firstItem, itemWords, type SessionItem } from '@yandle/core';
import { Screen } from '../testing/screen';
import { ItemManner } from './item-manner';
import { PartLines } from './part-lines';

const strap = exerciseById('supine-strap-hamstring');

@Component({
  imports: [ItemManner, PartLines],
  template: `
    <y-part-lines [item]="item()" [exercise]="exercise" (changed)="item.update($event)" />
    <y-item-manner [item]="item()" [exercise]="exercise" [last]="true" (changed)="item.update($event)" />
  `,
})
class Host {
  readonly exercise = strap;
  readonly item = signal<SessionItem>(firstItem(strap));
}

describe('parts of an item', () => {
  const words = (screen: Screen<Host>) => itemWords(screen.fixture.componentInstance.item(), strap);
  const field = (label: string) => `[aria-label="${label}"]`;

  it('are five moves and then a hold', async () => {
    const screen = await Screen.open(Host);
    await screen.fill(field(`How, part 1 of ${strap.name}`), 'moving stretch');
    await screen.fill(field(`repetitions of ${strap.name}`), '5');
    await screen.press('Then');
    await screen.fill(field(`seconds of ${strap.name}, part 2`), '20');
    expect(words(screen)).toBe('Move in and out: 5 reps (2 s pause), then hold 20 s, once on each side, left first');
    screen.el.querySelector<HTMLButtonElement>(field(`Take out part 2 of ${strap.name}`))!.click();
    await screen.settle();
    expect(words(screen)).toBe('Move in and out: 5 reps (2 s pause), once on each side, left first');
  });

  it('are an entry hold and a push with cycles', async () => {
    const screen = await Screen.open(Host);
    await screen.fill(field(`seconds of ${strap.name}`), '10');
    await screen.press('Then');
    await screen.fill(field(`How, part 2 of ${strap.name}`), 'contract-relax');
    expect(words(screen)).toContain('Hold 10 s, then push, let go, stretch: 3 × (');
  });

  it('are three directions, counted in breaths', async () => {
    const screen = await Screen.open(Host);
    await screen.fill(field(`How, part 1 of ${strap.name}`), 'static hold|breaths');
    await screen.fill(field(`breaths of ${strap.name}`), '3');
    for (const n of [1, 2]) {
      await screen.press('Then');
      await screen.fill(field(`Direction, part ${n} of ${strap.name}`), n === 1 ? 'Toes up' : 'Toes in');
    }
    await screen.fill(field(`Direction, part 3 of ${strap.name}`), 'Toes out');
    expect(words(screen)).toBe(
      'Toes up: hold for 3 breaths, then toes in: hold for 3 breaths, then toes out: hold for 3 breaths, once on each side, left first',
    );
  });

  it('have a pace of their own, and a middle after both sides', async () => {
    const screen = await Screen.open(Host);
    await screen.fill(field(`How, part 1 of ${strap.name}`), 'moving stretch');
    const choose = async (label: string, value: string) => {
      const select = [...screen.el.querySelectorAll('label')].find((l) => l.textContent.includes(label))!;
      const box = select.querySelector<HTMLSelectElement>('select')!;
      box.value = value;
      box.dispatchEvent(new Event('change'));
      await screen.settle();
    };
    await choose('Pace', 'breath');
    expect(words(screen)).toContain(', one a breath, ');
    await choose('Pace', 'set');
    expect(words(screen)).toContain(', 3 s out and 3 s back, ');
    await choose('Sides', 'side by side|middle');
    expect(words(screen)).toContain('left first, then once in the middle');
  });
});
