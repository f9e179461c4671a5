import type { Who } from '../../core/wire/who';
import { inShop } from '../db/orm';
import { whoWas } from '../db/people';
import { workshopOf } from '../db/workshop';

/** In whose name something is done that the server does by itself. @throws where that is nobody of the workshop */
export const whoAsked = ({ shop, personId }: { shop: string; personId: string | null }): Promise<Who> =>
  inShop(shop, async (em) => {
    const { name: shopName, settings, demo } = await workshopOf(em);
    const person = personId === null ? undefined : await whoWas(em, personId);
    if (!person) throw new Error('nobody asked for it');
    const { id, name, login, role, bench } = person;
    return { shopId: shop, personId: id, name, login, role, bench, shopName, settings, demo };
  });
