import { TestBed, type ComponentFixture } from '@angular/core/testing';
import type { Reading } from '@yandle/contract';
import { ACTIVE_KNEE_EXTENSION } from '@yandle/core';
import { aReading } from '../testing/assessments';
import { SideCard, type TypedReading } from './side-card';

const reading = (value: number, id = String(value)): Reading =>
  aReading(ACTIVE_KNEE_EXTENSION.id, 'left', value, { id });

describe('SideCard', () => {
  let fixture: ComponentFixture<SideCard>;
  let kept: TypedReading[];
  const el = () => fixture.nativeElement as HTMLElement;

  async function render(...values: number[]): Promise<void> {
    fixture = TestBed.createComponent(SideCard);
    kept = [];
    fixture.componentRef.setInput('test', ACTIVE_KNEE_EXTENSION);
    fixture.componentRef.setInput('side', 'left');
    fixture.componentRef.setInput(
      'readings',
      values.map((v) => reading(v)),
    );
    fixture.componentInstance.saved.subscribe((r) => kept.push(r));
    await fixture.whenStable();
  }
  async function type(text: string): Promise<void> {
    const box = el().querySelector('input')!;
    box.value = text;
    box.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    await fixture.whenStable();
  }

  it('keeps a typed number, with comma or point', async () => {
    await render();
    await type('31,5');
    await type(' 32 ');
    expect(kept).toEqual([
      { value: 31.5, replaces: null, leaving: false },
      { value: 32, replaces: null, leaving: false },
    ]);
  });

  it('keeps a number that is in the box when it is left, and refuses at the field what is none', async () => {
    vi.spyOn(document, 'hasFocus').mockReturnValue(true);
    await render();
    const leave = async (text: string) => {
      const box = el().querySelector('input')!;
      box.value = text;
      box.dispatchEvent(new FocusEvent('blur'));
      await fixture.whenStable();
    };
    await leave('');
    await leave('31');
    expect(kept).toEqual([{ value: 31, replaces: null, leaving: true }]);
    await leave('3x');
    expect(kept).toHaveLength(1);
    expect(el().querySelector('.field-error')).not.toBeNull();
    // Another window came to the front while the number was being typed.
    vi.spyOn(document, 'hasFocus').mockReturnValue(false);
    await leave('4');
    expect(kept).toHaveLength(1);
  });

  it.each(['abc', '1e5', '150', '31.5.2', '--3'])('refuses %j at the field', async (text) => {
    await render();
    await type(text);
    expect(kept).toEqual([]);
    expect(el().querySelector('.field-error')!.textContent).toMatch(/number/i);
    expect(el().querySelector('input')!.getAttribute('aria-invalid')).toBe('true');
  });

  it('says mean, spread and whether that is enough', async () => {
    await render(31, 32);
    expect(el().textContent).toContain('31.5°');
    expect(el().textContent).toContain('mean of 2');
    expect(el().textContent).toContain('1° apart; up to 5° is fine.');
    expect(fixture.componentInstance.wants()).toBe(false);
  });

  it('asks for a third reading when two disagree', async () => {
    await render(31, 38);
    expect(el().textContent).toContain('Take one more.');
    expect(fixture.componentInstance.wants()).toBe(true);
  });

  it('corrects the reading that was chosen', async () => {
    await render(13, 32);
    el().querySelector<HTMLButtonElement>('button')!.click();
    await fixture.whenStable();
    await type('31');
    expect(kept).toEqual([{ value: 31, replaces: '13', leaving: false }]);
  });

  it('takes no sixth reading', async () => {
    await render(10, 20, 30, 40, 50);
    expect(el().querySelector('input')).toBeNull();
    expect(el().textContent).toContain('median of 5');
  });
});
