import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { Screen } from '../testing/screen';
import { ClientPicker } from './client-picker';

const item = (id: string, name: string) => ({ id, name, age: 40, aim: 'x' });
const typed = () => new Promise((r) => setTimeout(r, 100));

describe('ClientPicker', () => {
  let screen: Screen<ClientPicker>;
  let went: unknown[][];

  beforeEach(async () => {
    screen = await Screen.open(ClientPicker);
    went = [];
    vi.spyOn(TestBed.inject(Router), 'navigate').mockImplementation((commands) => {
      went.push([...commands]);
      return Promise.resolve(true);
    });
    screen.el.querySelector('input')!.dispatchEvent(new Event('focus'));
    await screen.fill('input', 'an');
  });

  const key = async (name: string) => {
    screen.el.querySelector('input')!.dispatchEvent(new KeyboardEvent('keydown', { key: name, cancelable: true }));
    await screen.settle();
  };
  const answer = async (...items: object[]) => {
    await typed();
    await screen.answer('/clients?search=an&limit=8', { items, nextCursor: null });
  };

  it('opens the one chosen with the arrow keys, and stays inside the list', async () => {
    await answer(item('1', 'Anna'), item('2', 'Andri'));
    await key('ArrowUp');
    await key('ArrowDown');
    await key('ArrowDown');
    expect(screen.el.querySelector('[aria-selected=true]')!.textContent).toContain('Andri');
    await key('Enter');
    expect(went).toEqual([['/clients', '2']]);
    expect(screen.el.querySelector('[role=listbox]')).toBeNull();
  });

  it('remembers an Enter that came before the list', async () => {
    await key('Enter');
    expect(went).toEqual([]);
    await answer(item('1', 'Anna'), item('2', 'Andri'));
    expect(went).toEqual([['/clients', '1']]);
  });

  it('says when nobody has that name, and goes nowhere', async () => {
    expect(screen.text).toContain('Searching …');
    await answer();
    expect(screen.text).toContain('No client of that name');
    await key('Enter');
    expect(went).toEqual([]);
  });

  it('opens by a press, before the field loses its focus', async () => {
    await answer(item('1', 'Anna'));
    const option = screen.el.querySelector('[role=option]')!;
    const press = new MouseEvent('mousedown', { cancelable: true });
    option.dispatchEvent(press);
    expect(press.defaultPrevented).toBe(true);
    expect(went).toEqual([['/clients', '1']]);
  });
});
