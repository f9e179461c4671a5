import * as common from '../../words/answers/common';
import * as wording from '../../words/answers/workshop';
import type { Changed } from '../../core/wire/changed';
import { z } from 'zod';
import { skills } from '../../core/day/people';
import { handsFields } from '../../forms/hands-fields';
import { placesFields } from '../../forms/places-fields';
import {
  backupFields,
  absenceFields,
  glueFields,
  heatFields,
  hotAirFields,
  leakTesterFields,
  pressFields,
  roomField,
  eraseAfterMonths,
  hourlyRateMinor,
  shopName,
  waitFields,
  warrantyMonths,
  benchName,
} from '../../forms/workshop-fields';
import { addressSchema, instruments } from '../../core/wire/instruments';
import { changePlaces } from './places';
import type { Role } from '../../core/vocabulary/roles';
import { allStations } from '../../core/methods/catalogue';
import { methodIds, methodRows } from '../../core/methods/methods';
import { dropShop } from '../auth/held-sessions';
import { type Glues, glueItems, usualRoomC } from '../../core/seal/glue';
import { type Absence, workHoursSchema } from '../../core/day/hours';
import { inShop } from '../db/orm';
import { currentModels } from '../db/models';
import { peopleOf } from '../db/people';
import { changePeople, type PeopleAsk, peopleAsks } from './people';
import type { PersonLine } from '../../core/wire/person-line';
import { askToStop } from '../db/tasks';
import { workshopOf, workshopToChange } from '../db/workshop';
import type { ShopSettings, Who } from '../../core/wire/who';

/** Who may change what: the owner everything, a lead the methods. */
export const mayChange = (role: Role, what: 'methods' | 'means' | 'people') =>
  role === 'owner' || (role === 'lead' && what === 'methods');

const optionOf = Object.fromEntries(methodRows.map((r) => [r.id, r.options.map((o) => o.id as string)]));
/** What can be asked for on the Workshop screen. Settings are a patch: what is not named stays as somebody else may just have left it. */
export const askSchema = z.discriminatedUnion('do', [
  z
    .strictObject({ do: z.literal('method'), row: z.enum(methodIds), option: z.string().max(40) })
    .refine((a) => optionOf[a.row]!.includes(a.option), {
      path: ['option'],
      message: wording.noOption,
    }),
  z.strictObject({
    do: z.literal('station'),
    station: z.enum(allStations as [string, ...string[]]),
    owned: z.boolean(),
  }),
  z.strictObject({ do: z.literal('heat'), ...heatFields.shape }),
  z.strictObject({ do: z.literal('hot air'), ...hotAirFields.shape }),
  z.strictObject({ do: z.literal('glue'), item: z.enum(glueItems), ...glueFields.shape }),
  z.strictObject({ do: z.literal('no glue'), item: z.enum(glueItems) }),
  z.strictObject({ do: z.literal('room'), roomC: roomField }),
  z.strictObject({ do: z.literal('press'), ...pressFields.shape }),
  z.strictObject({ do: z.literal('leak tester'), ...leakTesterFields.shape }),
  z.strictObject({
    do: z.literal('instrument'),
    instrument: z.enum(instruments),
    address: addressSchema.nullable(),
  }),
  z.strictObject({ do: z.literal('hours'), hours: workHoursSchema.nullable() }),
  z
    .strictObject({ do: z.literal('away'), person: z.uuid(), ...absenceFields.shape })
    .refine(({ from, to }) => from < to, { path: ['form'], message: wording.laterLast }),
  z.strictObject({ do: z.literal('back'), person: z.uuid(), from: z.number() }),
  z.strictObject({
    do: z.literal('holds'),
    station: z.enum(allStations as [string, ...string[]]),
    count: z.int().min(1).max(4),
  }),
  z.strictObject({
    do: z.literal('warm'),
    station: z.enum(allStations as [string, ...string[]]),
    minutes: z.int().min(0).max(120),
  }),
  z.strictObject({
    do: z.literal('skills'),
    person: z.uuid(),
    skills: z.array(z.enum(skills)).max(skills.length),
  }),
  z.strictObject({
    do: z.literal('own hours'),
    person: z.uuid(),
    week: workHoursSchema.shape.week.nullable(),
  }),
  z.strictObject({ do: z.literal('rate'), hourlyRateMinor }),
  z.strictObject({ do: z.literal('warranty'), warrantyMonths }),
  z.strictObject({ do: z.literal('bench name'), benchName }),
  z.strictObject({ do: z.literal('places'), ...placesFields.shape }),
  z.strictObject({ do: z.literal('name'), name: shopName }),
  z.strictObject({ do: z.literal('backups'), ...backupFields.shape }),
  z.strictObject({ do: z.literal('hands'), ...handsFields.shape }),
  z.strictObject({ do: z.literal('stop task'), task: z.uuid() }),
  z.strictObject({ do: z.literal('erasing'), afterMonths: eraseAfterMonths }),
  z.strictObject({ do: z.literal('practice'), offered: z.boolean() }),
  z.strictObject({ do: z.literal('waits'), ...waitFields.shape }),
  ...peopleAsks,
]);
type Ask = z.output<typeof askSchema>;
const aboutPeople: ReadonlySet<string> = new Set(peopleAsks.map((ask) => ask.shape.do.value));
const isAboutPeople = (ask: Ask): ask is PeopleAsk => aboutPeople.has(ask.do);

export async function workshopPage(who: Who): Promise<{
  settings: ShopSettings;
  people: PersonLine[];
  name: string;
  models: { id: string; name: string }[];
}> {
  return inShop(who.shopId, async (em) => {
    const { settings, name } = await workshopOf(em);
    const models = (await currentModels(em)).map(({ id, name: called }) => ({ id, name: called }));
    return { settings, name, people: await peopleOf(em), models };
  });
}

/** The heat sources with one of them set anew: what was measured of it stays, is replaced, or is forgotten. */
function heatAfter({ heat }: ShopSettings, ask: Extract<Ask, { do: 'heat' }>): ShopSettings['heat'] {
  const { station, setC, fitted, forget } = ask;
  const { setC: _, ...before } = heat?.[station] ?? {};
  const kept = forget ? {} : fitted ? { ...fitted, fittedAt: Date.now() } : before;
  return { ...heat, [station]: { ...kept, setC } } as ShopSettings['heat'];
}
/** The settings with what the hot-air station was measured to do, or without it. */
function hotAirAfter(
  { hotAir: _, ...settings }: ShopSettings,
  { filmWm2K, readings, forget }: Extract<Ask, { do: 'hot air' }>,
): ShopSettings {
  return forget ? settings : { ...settings, hotAir: { filmWm2K, readings, fittedAt: Date.now() } };
}
/** The sheets with one of them kept anew, or taken away. */
function gluesAfter({ glues }: ShopSettings, ask: Extract<Ask, { do: 'glue' | 'no glue' }>): Glues {
  const { [ask.item]: _before, ...others } = glues?.sheets ?? {};
  const roomC = glues?.roomC ?? usualRoomC;
  if (ask.do === 'no glue') return { roomC, sheets: others };
  const { do: _, item, ...sheet } = ask;
  return { roomC, sheets: { ...others, [item]: sheet } };
}
/** How the stations of the bench are set, and what lies in its drawers. */
type BenchAsk = Extract<
  Ask,
  {
    do:
      | 'heat'
      | 'hot air'
      | 'press'
      | 'leak tester'
      | 'glue'
      | 'no glue'
      | 'room'
      | 'hours'
      | 'away'
      | 'back'
      | 'holds'
      | 'warm'
      | 'skills'
      | 'own hours'
      | 'instrument';
  }
>;
const ofBench: ReadonlySet<string> = new Set<BenchAsk['do']>([
  'heat',
  'hot air',
  'press',
  'leak tester',
  'glue',
  'no glue',
  'room',
  'hours',
  'away',
  'back',
  'holds',
  'warm',
  'skills',
  'own hours',
  'instrument',
]);
const isOfBench = (ask: Ask): ask is BenchAsk => ofBench.has(ask.do);
/** Who is away, with one more; what is long past goes. */
function absencesAfter(
  { absences = [] }: ShopSettings,
  { person, from, to }: Extract<Ask, { do: 'away' }>,
): Absence[] {
  const kept = absences.filter(
    (a) => a.to > Date.now() - 86_400_000 && !(a.person === person && a.from === from),
  );
  return [...kept, { person, from, to }].sort((a, b) => a.from - b.from).slice(-200);
}
function benchAfter(settings: ShopSettings, ask: BenchAsk): ShopSettings {
  switch (ask.do) {
    case 'heat': {
      const heat = heatAfter(settings, ask);
      return { ...settings, ...(heat ? { heat } : {}) };
    }
    case 'hot air':
      return hotAirAfter(settings, ask);
    case 'glue':
    case 'no glue':
      return { ...settings, glues: gluesAfter(settings, ask) };
    case 'room':
      return { ...settings, glues: { sheets: {}, ...settings.glues, roomC: ask.roomC } };
    case 'press': {
      const { force, unit, models } = ask;
      return { ...settings, press: { force, unit, ...(models.length ? { models } : {}) } };
    }
    case 'hours': {
      const { hours: _, ...rest } = settings;
      return ask.hours ? { ...rest, hours: ask.hours } : rest;
    }
    case 'away':
      return { ...settings, absences: absencesAfter(settings, ask) };
    case 'back':
      return {
        ...settings,
        absences: (settings.absences ?? []).filter((a) => a.person !== ask.person || a.from !== ask.from),
      };
    case 'holds': {
      const { [ask.station]: _, ...others } = settings.holds ?? {};
      return { ...settings, holds: ask.count > 1 ? { ...others, [ask.station]: ask.count } : others };
    }
    case 'warm': {
      const { [ask.station]: _, ...others } = settings.warmMinutes ?? {};
      return {
        ...settings,
        warmMinutes: ask.minutes > 0 ? { ...others, [ask.station]: ask.minutes } : others,
      };
    }
    case 'skills':
      return { ...settings, skills: { ...settings.skills, [ask.person]: ask.skills } };
    case 'own hours': {
      const { [ask.person]: _, ...others } = settings.personHours ?? {};
      return { ...settings, personHours: ask.week ? { ...others, [ask.person]: ask.week } : others };
    }
    case 'instrument': {
      const { [ask.instrument]: _, ...others } = settings.instruments ?? {};
      return {
        ...settings,
        instruments: ask.address === null ? others : { ...others, [ask.instrument]: ask.address },
      };
    }
    case 'leak tester': {
      // what a tester that was set otherwise made of its reference leak says nothing of it now
      const { leakSelfTest: _, ...rest } = settings;
      return { ...rest, leakTester: leakTesterFields.strip().parse(ask) };
    }
  }
}
/** How the work is done: a lead's to change as well. */
const ofMethods: ReadonlySet<string> = new Set(['method', ...ofBench]);
const notRead = (error: z.ZodError): Changed => ({
  ok: false,
  status: 400,
  errors: Object.fromEntries(error.issues.map((i) => [String(i.path[0] ?? 'form'), i.message])),
});
/** Changes one thing of the workshop, by whoever may. */
export async function changeWorkshop(who: Who, json: unknown): Promise<Changed> {
  const read = askSchema.safeParse(json);
  if (!read.success) return notRead(read.error);
  const ask = read.data;
  const what = ofMethods.has(ask.do) ? 'methods' : isAboutPeople(ask) ? 'people' : 'means';
  if (!mayChange(who.role, what))
    return {
      ok: false,
      status: 403,
      errors: {
        form: what === 'methods' ? wording.whoChangesMethods : wording.onlyOwner,
      },
    };
  if (isAboutPeople(ask)) return changePeople(who, ask);
  const changed = await inShop(who.shopId, async (em): Promise<Changed> => {
    // one at a time: two people who change different things both keep theirs
    const shop = await workshopToChange(em);
    const { settings } = shop;
    const save = (patch: Partial<ShopSettings>, said: string): Changed => {
      shop.settings = { ...settings, ...patch };
      return { ok: true, said };
    };
    if (isOfBench(ask)) {
      shop.settings = benchAfter(settings, ask);
      return { ok: true, said: common.kept };
    }
    switch (ask.do) {
      case 'method':
        return save({ methods: { ...settings.methods, [ask.row]: ask.option } }, wording.methodKept);
      case 'station':
        return save(
          {
            stations: allStations.filter((s) =>
              s === ask.station ? ask.owned : settings.stations.includes(s),
            ),
          },
          common.kept,
        );
      case 'warranty':
        return save({ warrantyMonths: ask.warrantyMonths }, wording.reportsSaySo);
      case 'bench name':
        return save({ benchName: ask.benchName }, ask.benchName ? wording.linksUseIt : wording.linksAsAsked);
      case 'places':
        return changePlaces(em, shop, ask);
      case 'name':
        shop.name = ask.name;
        return { ok: true, said: wording.reportsSaySo };
      case 'hands':
        return save({ hands: { pin: ask.pin, lockMinutes: ask.lockMinutes } }, common.kept);
      case 'stop task':
        await askToStop(em, ask.task);
        return { ok: true, said: '' };
      case 'backups': {
        const { daily, hour, keepDays } = ask;
        return save({ backups: { daily, hour, keepDays } }, common.kept);
      }
      case 'erasing': {
        const { erasing: _, ...rest } = settings;
        const { afterMonths } = ask;
        shop.settings = afterMonths ? { ...rest, erasing: { afterMonths, by: who.personId } } : rest;
        return { ok: true, said: common.kept };
      }
      case 'practice':
        return save({ practiceModels: ask.offered }, common.kept);
      case 'rate':
        return save({ hourlyRateMinor: ask.hourlyRateMinor }, common.kept);
      case 'waits':
        return save({ waits: { solventFlashS: ask.solventFlashS, coolingS: ask.coolingS } }, common.kept);
    }
  });
  dropShop(who.shopId);
  return changed;
}
