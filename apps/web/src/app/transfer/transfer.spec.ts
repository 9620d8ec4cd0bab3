import { HttpClient } from '@angular/common/http';
import { TestBed } from '@angular/core/testing';
import type { ImportReport } from '@yandle/contract';
import { Screen } from '../testing/screen';
import { UPLOADS } from './import.service';
import { TransferScreen } from './transfer';

const REPORT: ImportReport = {
  dryRun: true,
  lines: 2,
  readings: 2,
  known: 0,
  assessments: 1,
  clients: 1,
  errorCount: 0,
  errors: [],
};

describe('TransferScreen', () => {
  async function open(text: string, name = 'old.csv'): Promise<Screen<TransferScreen>> {
    const screen = await Screen.open(TransferScreen, {}, () =>
      TestBed.overrideProvider(UPLOADS, { useFactory: () => TestBed.inject(HttpClient) }),
    );
    const input = screen.el.querySelector<HTMLInputElement>('input[type=file]')!;
    Object.defineProperty(input, 'files', { value: [new File([text], name)], configurable: true });
    Object.defineProperty(input, 'value', { set: () => undefined, get: () => '', configurable: true });
    input.dispatchEvent(new Event('change'));
    await screen.settle();
    await screen.settle();
    return screen;
  }
  const upload = (screen: Screen<TransferScreen>) => screen.http.expectOne((r) => r.url === '/api/v1/imports/results');

  it('guesses the columns, asks for what is missing, and tries before it takes', async () => {
    const screen = await open('Name;Date;Measure;Which;Reading\nOttoline;2026-03-01;neck-flexion;;50\n');
    const columns = [...screen.el.querySelectorAll<HTMLSelectElement>('thead select')].map((s) => s.value);
    expect(columns).toEqual(['client', 'date', 'test', '', 'value']);
    expect(screen.button('Import').disabled).toBe(true);
    await screen.press('Check the file');
    const request = upload(screen);
    expect(request.request.params.get('columns')).toBe('client,date,test,,value');
    expect(request.request.params.get('dryRun')).toBe('true');
    expect(request.request.headers.get('content-type')).toBe('text/csv');
    request.flush(REPORT);
    await screen.settle();
    expect(screen.text).toContain('Ready to import');
    await screen.press('Import');
    const real = upload(screen);
    expect(real.request.params.get('dryRun')).toBe('false');
    real.flush({ ...REPORT, dryRun: false });
    await screen.settle();
    expect(screen.text).toContain('Imported');
  });

  it('shows each line that is wrong, and takes nothing', async () => {
    const screen = await open('client,date,test,value\nNobody,2026-03-01,neck-flexion,50\n');
    await screen.press('Check the file');
    const errors = [{ line: 2, column: 'client' as const, message: 'There is no client "Nobody".' }];
    upload(screen).flush({ ...REPORT, readings: 0, errorCount: 1, errors });
    await screen.settle();
    expect(screen.text).toMatch(/2\s+client\s+There is no client "Nobody"/);
    expect(screen.button('Import').disabled).toBe(true);
  });

  it('will not try a file without the needed columns; a changed column must be tried again', async () => {
    const screen = await open('who,when\nx,y\n');
    expect(screen.text).toContain('Say which column holds: client, test, value.');
    expect(screen.button('Check the file').disabled).toBe(true);
  });

  it('sends JSON as it is', async () => {
    const screen = await open('{"results":[]}', 'results.json');
    await screen.press('Check the file');
    expect(upload(screen).request.headers.get('content-type')).toBe('application/x-yandle-results+json');
  });

  it('can be cancelled', async () => {
    const screen = await open('client,date,test,value\na,b,c,d\n');
    await screen.press('Check the file');
    const request = upload(screen);
    await screen.press('Cancel');
    expect(request.cancelled).toBe(true);
  });
});
