import { z } from 'zod';
import { conditions, drives, functionIds } from '../vocabulary/trade';
import { symptomIds } from '../knowledge/symptoms';
import { remedies } from '../pairing/remedies';
import { measuredSchema } from './measured';
import { metSchema } from './met-schema';
import { firstMoment, isPlainText, lastMoment, plainTextAdvice } from './plain-text';
import {
  advices,
  asidePlaces,
  checkResults,
  consentBy,
  endings,
  enrolments,
  transferOutcomes,
  known,
  markKinds,
  markSides,
  pressureUnits,
  provenances,
  reworkOutcomes,
  trialOutcomes,
  releases,
  rounds,
  severities,
  taskActions,
  troubleKinds,
} from './events';
import { acts, rimParts } from '../vocabulary/steps';
import { heatBodies } from './heat-schema';
import { glueItems } from '../seal/glue';
import { handOverItems } from '../vocabulary/hand-over';
import { padSides, padStates } from '../rework/pads';
import { airSchools, heatings, reworkKinds, reworkStepIds } from '../rework/work-plan';

/** The bodies of events as they come from outside: commands, imported logs. The types of the core are inferred from here. */
/** An id: never the name of something that every object has. */
const ref = z
  .string()
  .min(1)
  .max(60)
  .refine((id) => !(id in Object.prototype), 'that is no id')
  .refine(isPlainText, plainTextAdvice);
const moment = z
  .number()
  .min(firstMoment, 'a time of this century')
  .max(lastMoment, 'a time of this century');
/** A glue or seal as it was laid: which, how long it stays open, from when it has its whole strength, s. */
export const laidGlue = z.strictObject({
  item: z.enum(glueItems),
  openS: z.number().min(0).max(10_000_000).optional(),
  fullS: z.number().min(0).max(10_000_000),
});
const words = (max: number) => z.string().trim().min(1).max(max);

export const markSchema = z.strictObject({
  id: ref,
  /** A mark on the frame lies on the rim of the outline. */
  side: z.enum(markSides),
  x: z.number().min(0).max(400),
  y: z.number().min(0).max(400),
  kind: z.enum(markKinds),
  severity: z.literal(severities).optional(),
  note: z.string().max(300).optional(),
});
export const taskSchema = z.strictObject({ slot: ref, action: z.enum(taskActions) });

const mm = z.number().positive().max(50);
/** What a calliper said, mm; the head only where it was asked for. */
const measured = { lengthMm: mm, headMm: mm.optional() };

const minor = z.int().min(0).max(100_000_00);
/** A part as it was when it was chosen: the record stays true whatever becomes of the stock. */
export const partSchema = z.strictObject({
  part: z.uuid(),
  name: words(120),
  provenance: z.enum(provenances),
  supplier: z.string().max(120),
  lot: z.string().max(60),
  serial: z.string().max(60),
  priceMinor: minor,
  arrivesWith: z.array(ref).max(40),
  released: z.enum(releases),
  proof: z.string().max(200),
});

export const bodySchema = z.discriminatedUnion('type', [
  z.strictObject({
    type: z.literal('opened'),
    modelHash: ref,
    variant: ref,
    tag: words(60),
    complaint: z.string().max(4000),
    tasks: z.array(taskSchema).max(40),
    promisedAt: moment.nullable(),
    promisedAs: z.string().max(60),
  }),
  z.strictObject({ type: z.literal('marked'), mark: markSchema }),
  z.strictObject({ type: z.literal('unmarked'), mark: ref }),
  z.strictObject({ type: z.literal('conditionSet'), condition: z.enum(conditions), because: words(300) }),
  z.strictObject({ type: z.literal('conditionCleared'), condition: z.enum(conditions), reason: words(1000) }),
  z.strictObject({
    type: z.literal('checked'),
    round: z.enum(rounds),
    function: z.enum(functionIds),
    result: z.enum(checkResults),
    note: z.string().max(1000).optional(),
  }),
  // what the device itself measured; whether it counts as the answer is written as one, beside it
  z.strictObject({
    type: z.literal('checkMeasured'),
    round: z.enum(rounds),
    function: z.enum(functionIds),
    measured: measuredSchema,
  }),
  z.strictObject({ type: z.literal('received') }),
  z.strictObject({
    type: z.literal('systemSet'),
    version: z.string().regex(/^\d{1,3}(\.\d{1,3}){0,2}$/, 'a version such as 14 or 14.2'),
    preRelease: z.boolean(),
  }),
  // what was asked and seen at the counter about the phone itself
  z.strictObject({
    type: z.literal('phoneAsked'),
    /** Charge shown, percent. */
    charge: z.number().min(0).max(100).optional(),
    backup: z.enum(known),
    /** Locked to somebody's account. */
    locked: z.enum(known),
    /** A feature that only the factory display has is there: it was never replaced. */
    displayOriginal: z.boolean(),
  }),
  // the charge that it shows now, percent
  z.strictObject({ type: z.literal('chargeSeen'), percent: z.number().int().min(0).max(100) }),
  z.strictObject({ type: z.literal('routeAdopted'), routeHash: ref, modelHash: ref, variant: ref }),
  // whose name or hand it was stands apart, with the job's private data
  z.strictObject({
    type: z.literal('consentGiven'),
    effect: ref,
    by: z.enum(consentBy),
    answer: words(60).optional(),
    signature: z.uuid().optional(),
  }),
  z.strictObject({ type: z.literal('symptomSet'), symptom: z.enum(symptomIds), on: z.boolean() }),
  z.strictObject({ type: z.literal('testBegun'), test: ref }),
  z.strictObject({
    type: z.literal('tested'),
    test: ref,
    outcome: ref,
    note: z.string().max(1000).optional(),
  }),
  z.strictObject({ type: z.literal('testDeclined'), test: ref, reason: words(300) }),
  z.strictObject({ type: z.literal('causeStated'), cause: ref, because: words(1000) }),
  z.strictObject({
    type: z.literal('photographed'),
    photo: z.uuid(),
    mark: ref.optional(),
    thing: ref.optional(),
  }),
  z.strictObject({ type: z.literal('remedySet'), slot: ref, remedy: z.enum(remedies) }),
  partSchema.extend({ type: z.literal('partChosen'), slot: ref }),
  z.strictObject({ type: z.literal('partDropped'), slot: ref }),
  z.strictObject({
    type: z.literal('quoted'),
    p10Minor: minor,
    p50Minor: minor,
    p90Minor: minor,
    meanMinor: minor,
    limitMinor: minor.nullable(),
    chance: z.number().min(0).max(1).nullable(),
    replacementMinor: minor.nullable(),
    advice: z.enum(advices),
    // the tax that is in it, per cent, and what it is called
    taxPercent: z.number().min(0).max(50).optional(),
    taxName: z.string().max(20).optional(),
  }),
  z.strictObject({ type: z.literal('promised'), at: moment, as: z.string().max(60) }),
  // a thing that the model does not have, or `again`: more or other of one that was met before; `off`: and it is off now
  z.strictObject({
    type: z.literal('met'),
    thing: metSchema,
    off: z.boolean(),
    again: z.literal(true).optional(),
  }),
  z.strictObject({ type: z.literal('screwOut'), fastener: ref, piece: ref }),
  z.strictObject({ type: z.literal('screwIn'), fastener: ref, piece: ref }),
  z.strictObject({ type: z.literal('screwMeasured'), piece: ref, ...measured }),
  z.strictObject({ type: z.literal('spilled'), pieces: z.array(ref).min(1).max(300) }),
  z.strictObject({
    type: z.literal('sorted'),
    screws: z
      .array(z.strictObject({ piece: ref, ...measured }))
      .min(1)
      .max(300),
  }),
  z.strictObject({
    type: z.literal('substituted'),
    fastener: ref,
    piece: ref,
    spare: z.uuid(),
    drive: z.enum(drives),
    thread: words(20),
    lengthMm: mm,
    headMm: mm,
  }),
  z.strictObject({ type: z.literal('connectorOff'), connector: ref }),
  // `trial`: only to try the new part of this slot, with the rest of the device still open
  z.strictObject({ type: z.literal('connectorOn'), connector: ref, trial: ref.optional() }),
  z.strictObject({ type: z.literal('reseated'), connector: ref }),
  z.strictObject({ type: z.literal('bondReleased'), bond: ref, torn: z.boolean() }),
  // with the glue's times as they are in this room, where the workshop has its sheet
  z.strictObject({ type: z.literal('bondRenewed'), bond: ref, glue: laidGlue.optional() }),
  z.strictObject({ type: z.literal('catchFreed'), catch: ref }),
  z.strictObject({ type: z.literal('catchHooked'), catch: ref }),
  z.strictObject({ type: z.literal('pieceMoved'), slot: ref, pose: z.enum(['folded', 'shifted', 'out']) }),
  z.strictObject({
    type: z.literal('pieceFitted'),
    slot: ref,
    piece: ref,
    pose: z.enum(['in', 'folded']),
    with: z.array(ref).max(200).optional(),
  }),
  z.strictObject({
    type: z.literal('pieceSetAside'),
    piece: ref,
    to: z.enum(asidePlaces),
    with: z.array(ref).max(200).optional(),
  }),
  z.strictObject({ type: z.literal('screwsBagged'), pieces: z.array(ref).min(1).max(300) }),
  z.strictObject({ type: z.literal('filmOff'), film: ref }),
  z.strictObject({ type: z.literal('maskOn'), mask: ref }),
  z.strictObject({ type: z.literal('maskOff'), mask: ref }),
  ...heatBodies(ref),
  z.strictObject({ type: z.literal('solventApplied'), bond: ref, dwellS: z.number().min(0).max(3600) }),
  // of the display's rim, or of another seal's
  // with what else of it is due before a seal; or one of those, seen to
  z.strictObject({
    type: z.literal('rimCleaned'),
    bond: ref.optional(),
    due: z.array(z.enum(rimParts)).max(rimParts.length).optional(),
    what: z.enum(rimParts).optional(),
  }),
  z.strictObject({ type: z.literal('sealApplied'), bond: ref, glue: laidGlue.optional() }),
  z.strictObject({ type: z.literal('linerOff') }),
  z.strictObject({ type: z.literal('leftUnsealed'), reason: words(1000) }),
  z.strictObject({ type: z.literal('deviceClosed') }),
  z.strictObject({ type: z.literal('lost'), piece: ref }),
  z.strictObject({ type: z.literal('found'), piece: ref, tray: z.literal(true).optional() }),
  z.strictObject({ type: z.literal('strayFound'), stray: ref, note: words(300) }),
  z.strictObject({ type: z.literal('strayRemoved'), stray: ref, note: words(300) }),
  // about one thing it is shown again where that thing is refitted; a finding is for the model, too
  z.strictObject({
    type: z.literal('noted'),
    text: words(4000),
    thing: ref.optional(),
    finding: z.boolean().optional(),
  }),
  z.strictObject({
    type: z.literal('troubled'),
    kind: z.enum(troubleKinds),
    thing: ref,
    note: z.string().max(1000).optional(),
  }),
  z.strictObject({
    type: z.literal('troubleEnded'),
    kind: z.enum(troubleKinds),
    thing: ref,
    how: words(300),
  }),
  z.strictObject({ type: z.literal('transferSet'), slot: ref, part: ref, outcome: z.enum(transferOutcomes) }),
  z.strictObject({ type: z.literal('takenOver'), bench: z.string().max(60) }),
  z.strictObject({ type: z.literal('truthNamed'), question: ref, about: ref, value: ref }),
  z.strictObject({ type: z.literal('enrolled'), what: z.enum(enrolments) }),
  z.strictObject({ type: z.literal('unlocked'), what: z.enum(enrolments), knocked: z.boolean() }),
  z.strictObject({ type: z.literal('unenrolled'), what: z.enum(enrolments) }),
  z.strictObject({
    type: z.literal('acted'),
    act: z.enum(acts),
    target: ref,
    forS: z.number().min(0).max(172_800).optional(),
  }),
  // what a leak tester said at the end of its hold, and what under-pressure was lost meanwhile
  z.strictObject({
    type: z.literal('leakTested'),
    holds: z.boolean(),
    lost: z.strictObject({ value: z.number().min(0).max(1_000_000), unit: z.enum(pressureUnits) }).optional(),
    // by a tester that is read: its curve by id, how it was set, the steady loss with its standard error, and the limit
    measured: z
      .strictObject({
        id: z.uuid(),
        setPa: z.number().min(0).max(100_000),
        holdS: z.number().min(0).max(3600),
        // none where the set pressure was not reached: there was nothing to hold
        ratePaS: z.number().min(-100_000).max(100_000).optional(),
        errorPaS: z.number().min(0).max(100_000).optional(),
        sccm: z.number().min(-100_000).max(100_000).optional(),
        limitPaS: z.number().min(0).max(100_000),
      })
      .optional(),
    // the tester had found its reference leak within the day before
    proved: z.boolean().optional(),
    // the figures are a stand-in's: they prove nothing
    simulated: z.boolean().optional(),
  }),
  // what a press did by its gauge: its curve by id, N and s
  z.strictObject({
    type: z.literal('pressRead'),
    target: ref,
    held: z.boolean(),
    id: z.uuid(),
    setN: z.number().min(0).max(5000),
    meanN: z.number().min(0).max(5000),
    peakN: z.number().min(0).max(50_000),
    heldS: z.number().min(0).max(3600),
    simulated: z.boolean().optional(),
  }),
  // looked at in the hand before the owner has it; or taken back
  z.strictObject({ type: z.literal('handOverSeen'), item: z.enum(handOverItems), seen: z.boolean() }),
  z.strictObject({ type: z.literal('taskSet'), slot: ref, action: z.enum([...taskActions, 'none']) }),
  z.strictObject({
    type: z.literal('dataRead'),
    slot: ref,
    data: z.string().max(64).optional(),
    simulated: z.boolean().optional(),
  }),
  z.strictObject({
    type: z.literal('dataWritten'),
    slot: ref,
    verified: z.boolean(),
    data: z.string().max(64).optional(),
    simulated: z.boolean().optional(),
  }),
  z.strictObject({ type: z.literal('dataDeclined'), slot: ref, reason: words(1000) }),
  z.strictObject({ type: z.literal('stepPassed'), passed: ref, round: z.enum(rounds) }),
  // work at a chip or an optic under the microscope, step by step
  z.strictObject({
    type: z.literal('reworkBegun'),
    slot: ref,
    kind: z.enum(reworkKinds),
    school: z.enum(airSchools),
    chip: ref.optional(),
    practice: z.boolean(),
    stencil: z.string().max(60),
    newPart: z.literal(true).optional(),
  }),
  // what the programmer says of a module: which of its parts fail
  z.strictObject({
    type: z.literal('moduleTested'),
    slot: ref,
    fails: z.array(words(80)).max(40),
    again: z.boolean(),
    simulated: z.boolean().optional(),
  }),
  z.strictObject({ type: z.literal('reworkTried'), slot: ref, outcome: z.enum(trialOutcomes) }),
  z.strictObject({
    type: z.literal('reworkHeatStarted'),
    slot: ref,
    step: z.enum(reworkStepIds),
    by: z.enum(heatings),
    setC: z.number().min(20).max(500).optional(),
    airPercent: z.number().min(0).max(100).optional(),
    extraction: z.boolean(),
  }),
  z.strictObject({
    type: z.literal('reworkStepped'),
    slot: ref,
    step: z.enum(reworkStepIds),
    skipped: z.literal(true).optional(),
  }),
  z.strictObject({
    type: z.literal('padsSeen'),
    slot: ref,
    side: z.enum(padSides),
    pads: z.record(z.string().regex(/^[A-Y]{1,2}\d{1,2}$/), z.enum(padStates)),
  }),
  z.strictObject({
    type: z.literal('reworkEnded'),
    slot: ref,
    outcome: z.enum(reworkOutcomes),
    lost: z.enum(['old part', 'new part']).optional(),
  }),
  z.strictObject({ type: z.literal('answered'), question: ref, answer: words(1000) }),
  // as a command it may take back several at once: `event` is then the earliest of the latest so many entries
  z.strictObject({
    type: z.literal('retracted'),
    event: ref,
    entries: z.number().int().min(1).max(10_000).optional(),
  }),
  z.strictObject({ type: z.literal('corrected'), event: ref, truth: words(1000), reason: words(1000) }),
  z.strictObject({
    type: z.literal('overridden'),
    rule: ref,
    reason: words(1000),
    confirmedBy: ref.optional(),
  }),
  z.strictObject({ type: z.literal('jobClosed'), ending: z.enum(endings), note: z.string().max(1000) }),
]);
