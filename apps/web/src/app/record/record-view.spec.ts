import { recordTables } from './record-view';

describe('recordTables', () => {
  it('makes a table of each section that has rows, without ids, in words a person reads', () => {
    const tables = recordTables({
      format: 'yandle-client',
      coaches: [{ id: 'k1', name: 'Mara' }],
      client: [
        { id: 'c1', name: 'Ottoline Varga', leadCoachId: 'k1', trainingDays: [1, 3], sex: null, archivedAt: null },
      ],
      readings: [
        { id: 'r1', assessmentId: 'a1', testId: 'neck-rotation', side: 'left', value: '60.00', warm: true },
        { id: 'r2', assessmentId: 'a1', testId: 'neck-rotation', side: 'right', value: '58.00', warm: false },
      ],
      runs: [{ id: 'x', sessionId: 's', startedAt: '2026-03-09T08:00:00.000Z' }],
      goals: [],
      intakes: [{ id: 'i', about: { sport: 'hill walks', props: ['strap', 'block'], massKg: null } }],
    });
    expect(tables.map((t) => t.heading)).toEqual(['Client', 'Readings', 'Sessions done', 'Intakes']);
    expect(tables[0]).toMatchObject({
      columns: ['Name', 'Training days', 'Sex', 'Archived at'],
      rows: [['Ottoline Varga', '1; 3', '–', '–']],
    });
    expect(tables[1]!.columns).toEqual(['Test id', 'Side', 'Value', 'Warm']);
    expect(tables[1]!.rows[1]).toEqual(['neck-rotation', 'right', '58.00', 'no']);
    expect(tables[2]!.rows).toEqual([['2026-03-09 08:00']]);
    expect(tables[3]!.rows).toEqual([['sport: hill walks, props: strap; block, mass kg: –']]);
  });

  it('shows a hundred rows of a section and says how many more the file has', () => {
    const [table] = recordTables({ setLogs: Array.from({ length: 130 }, (_, i) => ({ id: `s${i}`, set: i })) });
    expect([table!.rows.length, table!.more]).toEqual([100, 30]);
  });

  it('cuts what no one reads, such as a picture', () => {
    const [table] = recordTables({ pictures: [{ id: 'p', bytes: 'A'.repeat(5000) }] });
    expect(table!.rows[0]![0]).toBe(`${'A'.repeat(60)} …`);
  });
});
