import { placeWords } from '../core/scheme/model/workWords';
import { MINUTE_MS } from '../core/kernel/timeUnits';
import type { Content, ContentCanvas, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces';
import { jobMinutes, type JobInfo } from '../core/plan/build/lineJobs';
import { coatWords } from '../core/scheme/model/halves';
import { STAGE_LABELS, type Moment } from '../core/scheme/model/moments';
import { handOf, setupLabel } from '../core/scheme/passes/setups';
import { cautionOf } from '../core/scheme/model/techniques';
import type { LegSheet } from '../contract/legSheet';
import { counted, dayText, minutesText, momentText, positionsText, timeOfDayText } from '../ui/format';
import { INK, RULE, SOFT } from './paper';

const BOX_POINTS = 11;
const SWATCH_POINTS = 16;

/** Widths of the columns of a leg: box, begin, unit and part, models, minutes, drying, and room to write. */
const COLUMNS = [BOX_POINTS + 2, 42, '*', 92, 56, 66, 62];

/** The leg sheet as an A4 document: legs in order, boxes to tick, room for the minutes it took. */
export function legSheetDocument(sheet: LegSheet): TDocumentDefinitions {
  const { commissions, totals, legs } = sheet;
  const name = commissions.map((commission) => commission.name).join(', ');
  const jobs = legs.reduce((sum, leg) => sum + leg.jobs.length, 0);
  return {
    info: { title: `Leg sheet, ${name}`, creator: 'Neat Relay' },
    pageSize: 'A4',
    pageMargins: [36, 36, 36, 44],
    defaultStyle: { fontSize: 9, color: INK, lineHeight: 1.1 },
    footer: (page, pages) => ({
      columns: [name, { text: `page ${page} of ${pages}`, alignment: 'right' }],
      margin: [36, 14, 36, 0],
      fontSize: 8,
      color: SOFT,
    }),
    content: [
      { text: 'Leg sheet', fontSize: 18, bold: true },
      {
        text: commissions.map(({ name: each, client, dueOn }) => `${each} for ${client}, due ${dayText(dueOn)}`).join('\n'),
        fontSize: 11,
        margin: [0, 2, 0, 0],
      },
      {
        text: `${minutesText(totals.bench)} at the bench: ${counted(legs.length, 'leg')}, ${counted(jobs, 'job')}, ${minutesText(totals.changeover)} of set-ups, ${minutesText(totals.wait)} of waiting${until(sheet)}.`,
        color: SOFT,
        margin: [0, 2, 0, 8],
      },
      ...legs.flatMap((_, index) => legContent(sheet, index)),
    ],
  };
}

function until({ sessions, totals }: LegSheet): string {
  return sessions ? `, done ${momentText(sessions.origin + totals.finish * MINUTE_MS)}` : ', in one session; times count from its start';
}

/** A leg stays on one page where it can; the head of a session goes before the first job that is begun in it. */
function legContent(sheet: LegSheet, index: number): Content[] {
  const leg = sheet.legs[index]!;
  const before = index === 0 ? -1 : sheet.legs[index - 1]!.timed.at(-1)!.session;
  const isNew = leg.timed[0]!.session !== before;
  const isNewStage = leg.stage !== sheet.legs[index - 1]?.stage;
  const head = legHead(leg, index + 1);
  const rows = leg.jobs.flatMap((job, at) => {
    const goesOn = at > 0 && leg.timed[at]!.session !== leg.timed[at - 1]!.session;
    return [
      ...(goesOn ? [[spanning(`goes on ${sessionName(sheet, leg.timed[at]!.session)}`)]] : []),
      jobRow(sheet, job, leg.timed[at]!.begin),
    ];
  });
  const block: Content = {
    stack: [
      ...(isNewStage ? [stageHead(leg.stage)] : []),
      head,
      { table: { widths: COLUMNS, body: rows.map(padded) }, layout: 'noBorders', margin: [0, 2, 0, 0] },
    ],
    unbreakable: rows.length <= 24,
    margin: [0, 0, 0, 9],
  };
  if (!sheet.sessions || !isNew) return [block];
  const name: Content = {
    text: sessionName(sheet, leg.timed[0]!.session),
    fontSize: 12,
    bold: true,
    margin: [0, index === 0 ? 0 : 4, 0, 5],
  };
  return [{ stack: [name, block], unbreakable: rows.length <= 20 }];
}

const stageHead = (stage: Moment): Content => ({ text: STAGE_LABELS[stage], bold: true, color: SOFT, margin: [0, 2, 0, 4] });

const sessionName = ({ sessions }: LegSheet, session: number) =>
  sessions ? momentText(sessions.origin + sessions.sessions[session]!.from * MINUTE_MS) : '';

function legHead({ setup, jobs, minutes }: LegSheet['legs'][number], number: number): Content {
  const caution = cautionOf(jobs[0]!, setup.paint?.kind ?? null);
  const label = setupLabel(setup);
  const hand = handOf(setup);
  return [
    {
      columns: [
        { text: String(number), width: 18, bold: true, fontSize: 11 },
        { width: SWATCH_POINTS + 6, ...swatch(setup.paint?.hex ?? null) },
        {
          text: [
            { text: setup.paint ? `${label} ${setup.paint.name}` : label, bold: true, fontSize: 11 },
            `   ${hand === 'none' ? 'bare hands' : hand}`,
          ],
          width: '*',
        },
        { text: minutesText(minutes), width: 'auto', bold: true, fontSize: 11 },
      ],
    },
    { canvas: [{ type: 'line', x1: 0, y1: 3, x2: 523, y2: 3, lineWidth: 0.5, lineColor: RULE }] },
    ...(caution
      ? [{ text: caution, italics: true, fontSize: 8, color: SOFT, margin: [24, 3, 0, 0] as [number, number, number, number] }]
      : []),
  ];
}

/** The paint, framed so that pale ones show on paper; an empty frame where none is used. */
const swatch = (hex: string | null): ContentCanvas => ({
  canvas: [{ type: 'rect', x: 0, y: 0, w: SWATCH_POINTS, h: 11, lineWidth: 0.75, lineColor: INK, ...(hex && { color: hex }) }],
});

/** Hours and minutes from the start of the line: 1:05. */
const sinceStart = (minute: number) => `${Math.floor(minute / 60)}:${String(Math.floor(minute % 60)).padStart(2, '0')}`;

function jobRow({ sessions, trays }: LegSheet, job: JobInfo, begin: number): TableCell[] {
  const part = placeWords(job.partName);
  const tray = trays.find(({ id }) => id === job.trayId)!;
  return [
    { canvas: [{ type: 'rect', x: 0, y: 0, w: BOX_POINTS, h: BOX_POINTS, lineWidth: 0.75, lineColor: INK }] },
    { text: sessions ? timeOfDayText(sessions.origin + begin * MINUTE_MS) : sinceStart(begin), color: SOFT },
    {
      text: [
        { text: `${job.unitName} ${positionsText(tray.models)}: `, color: SOFT },
        `${part}${coatWords(job)}`,
        ...(job.recipe.length > 0 ? [{ text: `\n${job.recipe.join('; ')}`, fontSize: 8 }] : []),
      ],
    },
    job.models.length === tray.models.length
      ? counted(job.models.length, 'model')
      : `${counted(job.models.length, 'model')} (${positionsText(job.models)})`,
    { text: minutesText(jobMinutes(job)), alignment: 'right' },
    { text: job.dryMinutes > 0 ? `dries ${minutesText(job.dryMinutes)}` : '', color: SOFT },
    { text: 'took ..........', color: SOFT },
  ];
}

const spanning = (text: string): TableCell => ({ text, colSpan: COLUMNS.length, bold: true, margin: [0, 3, 0, 2] });

/** A cell that spans the others must be followed by as many empty ones. */
const padded = (row: TableCell[]): TableCell[] => [...row, ...Array.from({ length: COLUMNS.length - row.length }, () => '')];
