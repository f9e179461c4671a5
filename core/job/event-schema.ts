import { z } from 'zod';
import { conditions, functionIds } from '../model/schema';
import { acts, asidePlaces, checkResults, endings, markKinds, rounds, taskActions } from './events';

/** The bodies of events as they come from outside: commands, imported logs. The types of the core are inferred from here. */
const ref = z.string().min(1).max(60);
const words = (max: number) => z.string().trim().min(1).max(max);

export const markSchema = z.strictObject({
  id: ref,
  side: z.enum(['front', 'back']),
  x: z.number().min(0).max(400),
  y: z.number().min(0).max(400),
  kind: z.enum(markKinds),
  note: z.string().max(300).optional(),
});
export const taskSchema = z.strictObject({ slot: ref, action: z.enum(taskActions) });

export const bodySchema = z.discriminatedUnion('type', [
  z.strictObject({ type: z.literal('opened'), modelHash: ref, variant: ref, tag: words(60), complaint: z.string().max(4000), tasks: z.array(taskSchema).min(1).max(40), promisedAt: z.number().nullable(), promisedAs: z.string().max(60) }),
  z.strictObject({ type: z.literal('marked'), mark: markSchema }),
  z.strictObject({ type: z.literal('unmarked'), mark: ref }),
  z.strictObject({ type: z.literal('conditionSet'), condition: z.enum(conditions), because: words(300) }),
  z.strictObject({ type: z.literal('conditionCleared'), condition: z.enum(conditions), reason: words(1000) }),
  z.strictObject({ type: z.literal('checked'), round: z.enum(rounds), function: z.enum(functionIds), result: z.enum(checkResults), note: z.string().max(1000).optional() }),
  z.strictObject({ type: z.literal('received') }),
  z.strictObject({ type: z.literal('routeAdopted'), routeHash: ref, modelHash: ref, variant: ref }),
  z.strictObject({ type: z.literal('consentGiven'), effect: ref, by: words(120) }),
  z.strictObject({ type: z.literal('screwOut'), fastener: ref, piece: ref }),
  z.strictObject({ type: z.literal('screwIn'), fastener: ref, piece: ref }),
  z.strictObject({ type: z.literal('connectorOff'), connector: ref }),
  z.strictObject({ type: z.literal('connectorOn'), connector: ref }),
  z.strictObject({ type: z.literal('bondReleased'), bond: ref, torn: z.boolean() }),
  z.strictObject({ type: z.literal('bondRenewed'), bond: ref }),
  z.strictObject({ type: z.literal('catchFreed'), catch: ref }),
  z.strictObject({ type: z.literal('catchHooked'), catch: ref }),
  z.strictObject({ type: z.literal('pieceMoved'), slot: ref, pose: z.enum(['folded', 'shifted', 'out']) }),
  z.strictObject({ type: z.literal('pieceFitted'), slot: ref, piece: ref, pose: z.enum(['in', 'folded']), with: z.array(ref).max(200).optional() }),
  z.strictObject({ type: z.literal('pieceSetAside'), piece: ref, to: z.enum(asidePlaces), with: z.array(ref).max(200).optional() }),
  z.strictObject({ type: z.literal('filmOff'), film: ref }),
  z.strictObject({ type: z.literal('maskOn'), mask: ref }),
  z.strictObject({ type: z.literal('maskOff'), mask: ref }),
  z.strictObject({ type: z.literal('heatStarted'), station: ref, forS: z.number().min(0).max(7200) }),
  z.strictObject({ type: z.literal('heatEnded') }),
  z.strictObject({ type: z.literal('solventApplied'), bond: ref, dwellS: z.number().min(0).max(3600) }),
  z.strictObject({ type: z.literal('rimCleaned') }),
  z.strictObject({ type: z.literal('sealApplied'), bond: ref }),
  z.strictObject({ type: z.literal('linerOff') }),
  z.strictObject({ type: z.literal('leftUnsealed'), reason: words(1000) }),
  z.strictObject({ type: z.literal('deviceClosed') }),
  z.strictObject({ type: z.literal('lost'), piece: ref }),
  z.strictObject({ type: z.literal('found'), piece: ref }),
  z.strictObject({ type: z.literal('strayFound'), stray: ref, note: words(300) }),
  z.strictObject({ type: z.literal('strayRemoved'), stray: ref, note: words(300) }),
  z.strictObject({ type: z.literal('noted'), text: words(4000) }),
  z.strictObject({ type: z.literal('enrolled'), what: words(40) }),
  z.strictObject({ type: z.literal('unenrolled'), what: words(40) }),
  z.strictObject({ type: z.literal('acted'), act: z.enum(acts), target: ref, forS: z.number().min(0).max(172_800).optional() }),
  z.strictObject({ type: z.literal('taskSet'), slot: ref, action: z.enum([...taskActions, 'none']) }),
  z.strictObject({ type: z.literal('dataRead'), slot: ref }),
  z.strictObject({ type: z.literal('dataWritten'), slot: ref, verified: z.boolean() }),
  z.strictObject({ type: z.literal('dataDeclined'), slot: ref, reason: words(1000) }),
  z.strictObject({ type: z.literal('stepPassed'), passed: ref, round: z.enum(rounds) }),
  z.strictObject({ type: z.literal('answered'), question: ref, answer: words(1000) }),
  z.strictObject({ type: z.literal('retracted'), event: ref }),
  z.strictObject({ type: z.literal('corrected'), event: ref, truth: words(1000), reason: words(1000) }),
  z.strictObject({ type: z.literal('overridden'), rule: ref, reason: words(1000), confirmedBy: ref.optional() }),
  z.strictObject({ type: z.literal('jobClosed'), ending: z.enum(endings), note: z.string().max(1000) }),
]);
