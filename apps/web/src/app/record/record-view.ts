/** Headings of the sections of a client's record, in the words of the screens. */
const HEADINGS: Readonly<Record<string, string>> = {
  client: 'Client',
  intakes: 'Intakes',
  clearances: 'Clearances',
  assessments: 'Assessments',
  readings: 'Readings',
  testEvents: 'Tests skipped or stopped',
  beighton: 'Beighton scores',
  pictures: 'Pictures',
  goals: 'Goals',
  checkIns: 'Check-ins',
  selfReports: 'What the client said',
  priorities: 'Priorities',
  blocks: 'Blocks',
  revisions: 'Revisions',
  lanes: 'Lanes',
  prescriptions: 'Prescriptions',
  retests: 'Retests',
  sessions: 'Sessions',
  sessionItems: 'Exercises of sessions',
  runs: 'Sessions done',
  setLogs: 'Sets',
  runAnswers: 'Answers put right',
  symptoms: 'Symptoms',
  soreness: 'Soreness',
  lateLogs: 'Sent late by the phone',
  intakeLinks: 'Intake links',
  phoneLinks: 'Phone links',
  calendarLinks: 'Calendar links',
};

/** A section as a table. */
export interface RecordTable {
  readonly name: string;
  readonly heading: string;
  readonly columns: readonly string[];
  readonly rows: readonly (readonly string[])[];
  /** Rows that are in the file only. */
  readonly more: number;
}

/** Rows of a section that a page shows. */
const SHOWN = 100;

type Row = Readonly<Record<string, unknown>>;

/** `startedAt` as a person reads it: `Started at`. */
function columnWords(name: string): string {
  const words = name.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase();
  return words.charAt(0).toUpperCase() + words.slice(1);
}

function cellWords(value: unknown): string {
  if (value === null || value === undefined || value === '') return '–';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'string')
    return /^\d{4}-\d{2}-\d{2}T/.test(value)
      ? value.slice(0, 16).replace('T', ' ')
      : value.length > 400
        ? `${value.slice(0, 60)} …`
        : value;
  if (typeof value === 'number') return String(value);
  if (Array.isArray(value)) return value.length === 0 ? '–' : value.map(cellWords).join('; ');
  return Object.entries(value as Row)
    .map(([k, v]) => `${columnWords(k).toLowerCase()}: ${cellWords(v)}`)
    .join(', ');
}

/** Ids tie the sections of the file together; a reader does not need them. */
const isId = (column: string): boolean => column === 'id' || /Id$/.test(column) || column === 'laneKey';

/** The record of a client as tables to read, sections without a row left out. */
export function recordTables(record: Readonly<Record<string, unknown>>): RecordTable[] {
  return Object.entries(record).flatMap(([name, value]) => {
    if (!Array.isArray(value) || value.length === 0 || !HEADINGS[name]) return [];
    const rows = value as readonly Row[];
    const columns = Object.keys(rows[0]!).filter(
      (c) => !isId(c) || c === 'testId' || c === 'exerciseId' || c === 'styleId',
    );
    return [
      {
        name,
        heading: HEADINGS[name],
        columns: columns.map(columnWords),
        rows: rows.slice(0, SHOWN).map((r) => columns.map((c) => cellWords(r[c]))),
        more: Math.max(0, rows.length - SHOWN),
      },
    ];
  });
}
