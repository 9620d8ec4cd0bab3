import { fewClientsWords } from '@yandle/core';
import type { AdoptErrorBody, StudyBody } from '@yandle/contract';
import { Screen } from '../testing/screen';
import { EMPTY_CATALOGUE } from '../testing/assessments';
import { ReliabilityScreen } from './reliability';
import { fullRows, rowsFromText, workOut } from './study.model';

// Bland & Altman 1986, Lancet i:307-310: peak flow by two instruments, first readings, l/min.
const LARGE = [494, 395, 516, 434, 476, 557, 413, 442, 650, 433, 417, 656, 267, 478, 178, 423, 427];
const MINI = [512, 430, 520, 428, 500, 600, 364, 380, 658, 445, 432, 626, 260, 477, 259, 350, 451];
const pairs = LARGE.map((first, i) => ({ label: `S${i + 1}`, first, second: MINI[i]! }));

describe('a study', () => {
  it('gives the published bias and limits of Bland & Altman 1986: −2.1, −79.7 and 75.5', () => {
    const r = workOut(pairs);
    if (r.kind !== 'ready') throw new Error(r.why);
    expect(r.agreement.bias.value).toBeCloseTo(-2.1, 1);
    // Printed with 2 SD: −2.1 ± 2 × 38.8 = −79.7 and 75.5; here 1.96 SD, −78.1 and 73.9.
    expect(r.agreement.lower.value).toBeCloseTo(-2.1 - 1.96 * 38.8, 0);
    expect(r.agreement.upper.value).toBeCloseTo(-2.1 + 1.96 * 38.8, 0);
    expect(r.forms.map((f) => f.form).slice(0, 2)).toEqual(['2,1', '3,1']);
    expect(r.error.tooFew).toBeNull();
  });
  it('waits below five clients and warns below ten', () => {
    expect(workOut(pairs.slice(0, 4))).toMatchObject({
      kind: 'waiting',
      why: expect.stringContaining('4 of at least 5') as string,
    });
    const five = workOut(pairs.slice(0, 5));
    expect(five.kind === 'ready' && fewClientsWords(five.error)).toContain('Only 5 clients');
  });
  it('counts only clients with both measurements', () => {
    expect(fullRows([...pairs.slice(0, 2), { label: 'x', first: 1, second: null }])).toHaveLength(2);
  });
  it('reads what a spreadsheet copies, with headings, labels and decimal commas', () => {
    expect(rowsFromText('Client\tDay 1\tDay 2\nA\t9,5\t10\nB\t7\t−6.5')).toEqual({
      rows: [
        { label: 'A', first: 9.5, second: 10 },
        { label: 'B', first: 7, second: -6.5 },
      ],
      skipped: 0,
    });
    expect(rowsFromText('9.5,10\r\n7,\r\n8;9')).toEqual({
      rows: [
        { label: 'Client 1', first: 9.5, second: 10 },
        { label: 'Client 2', first: 8, second: 9 },
      ],
      skipped: 1,
    });
  });
});

describe('ReliabilityScreen', () => {
  async function open(): Promise<Screen<ReliabilityScreen>> {
    const screen = await Screen.open(ReliabilityScreen);
    await screen.answer('/test-catalogue', EMPTY_CATALOGUE);
    await screen.answer('/studies', []);
    return screen;
  }
  const paste = async (screen: Screen<ReliabilityScreen>) => {
    const rows = [9.5, 7, 12, 10.5, 5.5, 8, 11, 9, 13.5, 6.5].map((v, i) => `C${i}\t${v}\t${v + (i % 2 ? 0.5 : -0.5)}`);
    screen.el.querySelector('textarea')!.value = rows.join('\n');
    await screen.press('Use these');
  };

  it('shows the error beside the catalogue’s, and adopts it with the study behind it', async () => {
    const screen = await open();
    expect(screen.text).toContain('0 of at least 5 clients');
    await paste(screen);
    // Differences of ±0.5 alternate: mean 0, SD of the differences √(10·0.25/9) = 0.527, SEM = SD/√2 = 0.37.
    expect(screen.text).toContain('Your error (SEM) 0.37 cm');
    expect(screen.text).toContain('catalogue 0.69 cm');
    await screen.press('Use as my error');
    const study = screen.http.expectOne((r) => r.url.startsWith('/api/v1/studies/'));
    const body = study.request.body as StudyBody;
    expect(body).toMatchObject({ testId: 'weight-bearing-lunge', kind: 'days', version: null });
    expect(body.rows).toHaveLength(10);
    const id = study.request.url.split('/').at(-1)!;
    study.flush({ ...body, id, version: 1, coachId: 'k1', coachName: 'Mara' });
    await screen.settle();
    const adopt = screen.request('POST', '/own-errors').request.body as AdoptErrorBody;
    expect(adopt).toMatchObject({
      testId: 'weight-bearing-lunge',
      clients: 10,
      studyId: id,
      source: { origin: 'own' },
    });
    expect(adopt.sem).toBeCloseTo(0.3727, 3);
    expect(adopt.low!).toBeLessThan(adopt.sem);
    expect(adopt.high!).toBeGreaterThan(adopt.sem);
  });

  it('says of two testers on one day that the days are missing, beside the error and in its source', async () => {
    const screen = await open();
    await paste(screen);
    expect(screen.text).not.toContain('Two testers on one day');
    const kind = [...screen.el.querySelectorAll('label')].find((l) => l.textContent.includes('Two testers'))!;
    kind.querySelector('input')!.dispatchEvent(new Event('change'));
    await screen.settle();
    expect(screen.text).toContain('what differs from day to day is not in it');
    await screen.press('Use it all the same');
    const study = screen.http.expectOne((r) => r.url.startsWith('/api/v1/studies/'));
    study.flush({ ...(study.request.body as StudyBody), id: 's', version: 1, coachId: 'k1', coachName: 'Mara' });
    await screen.settle();
    const { source } = screen.request('POST', '/own-errors').request.body as AdoptErrorBody;
    expect(source.text).toContain('without what differs from day to day');
  });

  it('tells how I read the test: endings on fives, and readings that were not blind', async () => {
    const screen = await open();
    const endings = [30, 3, 3, 3, 3, 26, 3, 3, 3, 3];
    await screen.answer('/reading-habits?testId=weight-bearing-lunge', { readings: 80, seen: 4, endings });
    expect(screen.text).toContain('56 of your 80 readings of this test end on 0 or 5 (16 by chance)');
    expect(screen.text).toContain('4 of your 80 readings of this test were taken with the last value shown');
  });

  it('takes an error stated from elsewhere only with its source', async () => {
    const screen = await open();
    await screen.press('State an error of');
    const form = [...screen.el.querySelectorAll('form')].at(-1)!;
    const [sem, from] = [...form.querySelectorAll('input')];
    sem!.value = '0,9';
    form.dispatchEvent(new Event('submit', { cancelable: true }));
    await screen.settle();
    expect(screen.text).toContain('and where it comes from');
    from!.value = 'Course with twenty colleagues';
    form.dispatchEvent(new Event('submit', { cancelable: true }));
    await screen.settle();
    expect(screen.request('POST', '/own-errors').request.body).toMatchObject({
      sem: 0.9,
      low: null,
      source: { origin: 'own', text: 'Course with twenty colleagues' },
    });
  });

  it('takes an error back', async () => {
    const screen = await Screen.open(ReliabilityScreen);
    const error = {
      id: 'e1',
      coachId: 'k1',
      coachName: 'Mara',
      testId: 'weight-bearing-lunge',
      sem: 0.5,
      low: 0.4,
      high: 0.9,
    };
    const rest = { clients: 10, source: { origin: 'own', text: '10 clients' }, studyId: null, since: '2026-03-01' };
    await screen.answer('/test-catalogue', { ...EMPTY_CATALOGUE, errors: [{ ...error, ...rest }] });
    await screen.answer('/studies', []);
    expect(screen.text).toMatch(/Weight-bearing lunge\s+Mara\s+0\.50 cm\s+0\.40 cm to 0\.90 cm\s+0\.69 cm/);
    await screen.press('Withdraw');
    screen.request('POST', '/own-errors/e1/withdraw').flush(null);
    await screen.settle();
    await screen.answer('/test-catalogue', EMPTY_CATALOGUE);
    expect(screen.text).toContain('The catalogue’s figures');
  });
});
