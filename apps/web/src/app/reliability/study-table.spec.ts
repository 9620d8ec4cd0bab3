import { Screen } from '../testing/screen';
import { EMPTY_ROW, type StudyRow } from './study.model';
import { StudyTable } from './study-table';

describe('StudyTable', () => {
  let screen: Screen<StudyTable>;
  let said: string[];
  let rows: readonly StudyRow[];

  async function open(start: readonly StudyRow[] = [EMPTY_ROW, EMPTY_ROW]): Promise<void> {
    screen = await Screen.open(StudyTable, { columns: ['Day 1', 'Day 2'], rows: start });
    said = [];
    rows = start;
    screen.fixture.componentInstance.said.subscribe((words) => said.push(words));
    screen.fixture.componentInstance.rows.subscribe((now) => (rows = now));
  }
  const paste = async (text: string) => {
    screen.el.querySelector('textarea')!.value = text;
    await screen.press('Use these');
  };

  it('takes numbers as they are written here, and adds a row below the last', async () => {
    await open();
    await screen.fill('#cell-label-1', 'Noor');
    await screen.fill('#cell-first-1', '9,5');
    await screen.fill('#cell-second-1', '−6.5');
    expect(rows).toEqual([EMPTY_ROW, { label: 'Noor', first: 9.5, second: -6.5 }, EMPTY_ROW]);
    await screen.fill('#cell-first-1', 'nine');
    expect(rows[1]!.first).toBeNull();
  });

  it('goes down the column at Enter', async () => {
    await open();
    document.body.append(screen.el);
    const field = screen.el.querySelector<HTMLInputElement>('#cell-first-0')!;
    field.focus();
    field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true }));
    expect(document.activeElement?.id).toBe('cell-first-1');
    screen.el.remove();
  });

  it('names a measurement, and keeps the name when it is emptied', async () => {
    await open();
    await screen.fill('th input', 'Joris');
    expect(screen.fixture.componentInstance.columns()).toEqual(['Joris', 'Day 2']);
    await screen.fill('th input', ' ');
    expect(screen.fixture.componentInstance.columns()).toEqual(['Joris', 'Day 2']);
  });

  it('takes what a spreadsheet copies, and says what was left out', async () => {
    await open();
    await paste('Client\tDay 1\tDay 2\nA\t9,5\t10\nB\t7\t\nC\t8\t8');
    expect(rows).toEqual([{ label: 'A', first: 9.5, second: 10 }, { label: 'C', first: 8, second: 8 }, EMPTY_ROW]);
    expect(said).toEqual(['2 clients added, 1 line without two numbers left out.']);
  });

  it('says what to enter when nothing of it is a measurement', async () => {
    await open();
    await paste('hello');
    expect(said).toEqual(['No line with two numbers found. Enter one client per line: name, first, second.']);
    expect(rows).toHaveLength(2);
  });

  it('takes at most two hundred clients', async () => {
    await open();
    await paste(Array.from({ length: 230 }, (_, i) => `C${i};1;2`).join('\n'));
    expect(rows).toHaveLength(201);
  });
});
