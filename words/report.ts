import { handOverList } from '../core/rules/hand-over-list';
import { type Unproved, unprovedBy } from '../core/rules/water';
import { coverBonds } from '../core/model/seals';
import { handOverLine } from './hand-over';
import type { JobState } from '../core/log/state';
import type { Measured } from '../core/log/measured';
import { figuresText } from './measured';
import type { BodyOf } from '../core/log/events';
import type { IndexedModel } from '../core/model/index-model';
import type { ReportData } from '../core/wire/report';
import { ofReport, ofReportGross } from './screens/leak';
import { causeName, testName } from './fault';
import type { Formats } from './formats';
import { cap, list, pieceName, plural, resultOf, thingName } from './things';
import { functionName } from './functions';

const waterText: Record<ReportData['water'], string> = {
  'not opened': 'The device was not opened.',
  'sealed, not leak tested':
    'What was opened was sealed or glued anew. It was not leak tested: protection against water is not claimed.',
  'sealed, test held': 'What was opened was sealed anew, and a leak test held.',
  leaks: 'It was sealed anew and failed the leak test: it is not protected against water.',
  'no seal': 'This model has no seal against water.',
  'sealed, leak tested':
    'What was opened was sealed anew and a leak test passed: protected against water as tested today, which is not the factory’s rating.',
  'closed without a seal': 'Closed without a new seal: it is not protected against water.',
  open: 'The device is open: it is not protected against water or dust.',
};
const unprovedText: Record<Unproved, string> = {
  'no figure': 'No figure of it was kept: protection against water is not claimed.',
  'own test overdue':
    'The tester had not found its reference leak on that day: protection against water is not claimed.',
  simulated: 'It was simulated: protection against water is not claimed.',
};
/** What is said about water, and from when it counts: glue that has not its full strength yet holds no water off. */
export function waterLine(
  { water, leak, index, page: { state } }: Pick<ReportData, 'water' | 'leak' | 'index' | 'page'>,
  when: Formats['dayAndClock'],
): string {
  const unproved = water === 'sealed, test held' && leak ? unprovedBy(leak) : undefined;
  if (unproved) return `${waterText[water]} ${unprovedText[unproved]}`;
  if (water !== 'sealed, leak tested') return waterText[water];
  const from = coverBonds(index)
    .filter(({ id }) => state.bond[id] === 'renewed')
    .map(({ id }) => state.laid[id])
    .map((laid) => (laid ? laid.at + laid.fullS * 1000 : undefined));
  if (!from.length) return waterText[water];
  const last = from.some((at) => at === undefined) ? undefined : Math.max(...from.map((at) => at!));
  return `${waterText[water]} ${
    last === undefined
      ? 'It counts from when the glue has its full strength; when that is was not noted.'
      : `It counts from ${when(last)}, when the glue has its full strength.`
  }`;
}
/** What was done to keep water out, in one sentence, and what nothing is said about; empty where nothing was. */
export function sealText({ seal, index }: Pick<ReportData, 'seal' | 'index'>): string {
  if (!seal) return '';
  const { laid, untouched, pressed, tested } = seal;
  const done = [
    ...laid.map(({ bond, by }) => `${thingName(index, bond)} laid anew by ${by}`),
    ...(laid.length
      ? [
          pressed.times
            ? `pressed ${pressed.times === 1 ? 'once' : `${pressed.times} times`} for up to ${pressed.forS} s${pressed.newton === undefined ? '' : ` with at least ${Math.round(pressed.newton)} N by the gauge`}`
            : 'closed by hand, no force claimed',
        ]
      : []),
    ...(tested
      ? [
          `leak test ${tested.holds ? 'held' : 'failed'}${
            tested.setPa === undefined
              ? ''
              : ` at ${(tested.setPa / 1000).toFixed(1)} kPa below the room for ${tested.holdS} s`
          }, by ${tested.by}`,
        ]
      : []),
  ];
  const names = list(untouched.map((id) => thingName(index, id)));
  return [
    done.length ? `${cap(done.join('; '))}.` : '',
    names ? `Not opened, and nothing is said about it: ${names}.` : '',
  ]
    .filter(Boolean)
    .join(' ');
}
/** What the leak tester read, with what it rests on. */
export function leakMeasured(m: NonNullable<BodyOf<'leakTested'>['measured']>): string {
  const kPa = (m.setPa / 1000).toFixed(1);
  return m.ratePaS === undefined || m.errorPaS === undefined
    ? ofReportGross(kPa)
    : ofReport(kPa, m.holdS, m.ratePaS.toFixed(2), (2 * m.errorPaS).toFixed(2), String(m.limitPaS));
}
/** How the fault was found: one line, none where nobody looked for it. */
export function faultLine(reportData: ReportData): string | undefined {
  const tests = reportData.tests.map((t) => `${testName(t.test)}: ${t.outcome}`).join('; ');
  if (reportData.fault)
    return `Fault: ${causeName(reportData.fault.cause)}, ${reportData.fault.because}.${tests ? ` Tested: ${tests}.` : ''}`;
  return tests ? `Tested: ${tests}.` : undefined;
}
const dataText: Record<string, string> = {
  written: 'identity data written to the new part, read back and compared: equal',
  unverified: 'identity data written, not proved equal',
  declined: 'identity data not copied, as agreed',
  read: 'identity data of the old part read and saved',
};
/** Who, when, for how much, and for how long the workshop answers: the same on the page and in the PDF. What is not known is said. */
export function termsLines(
  reportData: ReportData,
  { dayAndClock: when, money }: Pick<Formats, 'dayAndClock' | 'money'>,
): string[] {
  const price = reportData.price;
  return [
    reportData.technicians.length
      ? `Worked on by ${reportData.technicians.join(', ')}.`
      : 'Nobody has worked on it at the bench.',
    `Received ${when(reportData.openedAt)}${reportData.worked ? `; at the bench from ${when(reportData.worked.from)} to ${when(reportData.worked.to)}` : ''}${reportData.closedAt === undefined ? '' : `; closed ${when(reportData.closedAt)}`}.`,
    price
      ? `Price as offered: ${money(price.low)} to ${money(price.high)}${price.tax ? `, ${price.tax.percent} % ${price.tax.name} in it` : ''}${price.agreed ? `, agreed: ${price.agreed}` : ', not agreed'}.`
      : 'No price was recorded with this job.',
    reportData.signed.length ? `Signed by ${reportData.signed.join(', ')}.` : 'No signature was taken.',
    reportData.warrantyMonths === undefined
      ? 'Warranty: as agreed with the workshop; nothing is recorded here.'
      : reportData.warrantyMonths === 0
        ? 'Warranty: none beyond the law.'
        : `Warranty on the work: ${reportData.warrantyMonths} months.`,
    ...handedLines(reportData),
    ...careLines(reportData.index, reportData.page.state, when),
  ];
}
/** What was looked at in the hand before it was given back. */
function handedLines({ index, page: { state, route } }: ReportData): string[] {
  const line = handOverLine(handOverList(index, state, route?.input.methods), state.handed);
  return line ? [line] : [];
}
/** Until when a device is kept from water and warmth, by the glues and seals that were really laid and their sheets. */
export function careLines(
  index: IndexedModel,
  { laid, bond }: Pick<JobState, 'laid' | 'bond'>,
  when: Formats['dayAndClock'],
): string[] {
  const there = Object.entries(laid).filter(([id]) => bond[id] === 'renewed');
  const last = Math.max(...there.map(([, { at, fullS }]) => at + fullS * 1000));
  const names = list(there.map(([id]) => thingName(index, id)));
  return there.length
    ? [
        `Not wet, not warm and under no load before ${when(last)}: ${names} ${there.length === 1 ? 'has' : 'have'} the whole strength then.`,
      ]
    : [];
}
/** The lines of what was done, the same on the page and in the PDF. */
export function doneLines(reportData: ReportData): string[] {
  const out = reportData.done.map(
    (x) =>
      `${cap(thingName(reportData.index, x.slot))} replaced${x.part ? ` by: ${x.part.provenance}${x.part.supplier ? `, ${x.part.supplier}` : ''}${x.part.lot ? `, lot ${x.part.lot}` : ''}${x.part.serial ? `, serial ${x.part.serial}` : ''}` : ''}${x.old?.startsWith('aside/') ? `; the old one: ${x.old.slice(6)}` : ''}.`,
  );
  if (reportData.renewed.length)
    out.push(
      `Renewed: ${[...new Set(reportData.renewed.map((b) => thingName(reportData.index, b)))].join(', ')}.`,
    );
  if (reportData.figures.screws)
    out.push(
      `${plural(reportData.figures.screws, 'screw')} taken out and accounted for one by one${reportData.figures.connectors ? `; ${plural(reportData.figures.connectors, 'connector')} unplugged` : ''}.`,
    );
  for (const { slot, what, simulated } of reportData.data)
    if (dataText[what])
      out.push(
        `${cap(thingName(reportData.index, slot))}: ${dataText[what]}${simulated ? ' (simulated)' : ''}.`,
      );
  if (reportData.adrift.length)
    out.push(`Not found again: ${reportData.adrift.map((p) => pieceName(reportData.index, p)).join(', ')}.`);
  if (!out.length) out.push('Nothing was changed on the device.');
  return out;
}
/** An answer with what the device measured, where it did. */
export const checkMeasured = (answer: string, measured: Measured | undefined): string => {
  const figures = measured && figuresText(measured);
  return figures ? `${answer}, ${figures}` : answer;
};
export const checkWord = (fn: string, r: string | undefined) =>
  r ? resultOf(fn, r as Parameters<typeof resultOf>[1]) : '–';
export const checkName = (f: string) => functionName[f as keyof typeof functionName] ?? f;
export const cautionLines = [
  'Keep it dry and away from heat today while the adhesive sets.',
  'If the device gets hot, swells or smells: switch it off, put it outside on stone, and bring it back.',
];
