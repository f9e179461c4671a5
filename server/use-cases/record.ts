import { randomUUID } from 'node:crypto';
import { deviceFields } from '../../forms/device-fields';
import { contentHash } from '../../core/model/canonical-json';
import { checkModel } from '../../core/model/check-model';
import { blankModel, sisterModel } from '../../core/record/blank-model';
import type { ModelSaid } from '../../core/wire/library';
import type { Who } from '../../core/wire/who';
import * as library from '../../words/answers/library';
import * as wording from '../../words/answers/record';
import { allModels, keepOwnModel, keepVersion } from '../db/models';
import { inShop } from '../db/orm';
import { modelFile } from './library';

/**
 * An id of a device model from its name: letters, digits and hyphens, as the format wants them; with something of its own,
 * since another workshop may record a device of the same name.
 */
const idOf = (maker: string, name: string): string =>
  `${`own-${`${maker}-${name}`
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
    .slice(0, 28)}`.replace(/-$/, '')}-${randomUUID().slice(0, 6)}`;

/**
 * Puts a device of which only the size is known into the library: it can be received, and its first repair records it.
 * Whoever opens it may: what comes of it is offered for further devices by an owner or a lead.
 */
export async function beginRecording(who: Who, json: unknown): Promise<ModelSaid> {
  const read = deviceFields.safeParse(json);
  if (!read.success)
    return {
      ok: false,
      status: 400,
      errors: Object.fromEntries(read.error.issues.map((i) => [String(i.path[0] ?? 'form'), i.message])),
    };
  const { like, ...device } = read.data;
  const id = idOf(device.maker, device.name);
  const sister = like ? await modelFile(who, like) : undefined;
  if (like && !sister) return { ok: false, status: 409, errors: { like: wording.noSister } };
  const model = sister ? sisterModel(sister, { id, ...device }) : blankModel({ id, ...device });
  const whole = !sister || checkModel(model).ok;
  const hash = contentHash(model);
  const name = `${model.maker} ${model.name}`;
  return inShop(who.shopId, async (em): Promise<ModelSaid> => {
    const there = (await allModels(em)).find((row) => row.name === name);
    if (there) return { ok: false, status: 409, errors: { name: wording.nameTaken(name) } };
    const made = { madeBy: who.personId };
    // what does not fit into the new outline is put right on the map first
    if (!(await (whole ? keepOwnModel : keepVersion)(em, hash, model, made)))
      return { ok: false, status: 409, errors: { form: library.anotherWorkshopHasIt } };
    const said = sister ? wording.isCopied(name, sister.name) : wording.isIn(name);
    return { ok: true, said: whole ? said : `${said} ${wording.doesNotFit}`, hash };
  });
}
