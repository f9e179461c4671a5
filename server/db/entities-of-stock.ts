import { defineEntity, p } from '@mikro-orm/core';
import { ofShop, shopOf } from './entities-of-shop';

/** The spares box: loose screws by what they are, and how many there are. */
export const SpareScrewRow = defineEntity({
  name: 'SpareScrewRow',
  tableName: 'spare_screw',
  filters: ofShop,
  uniques: [{ properties: ['shopId', 'drive', 'thread', 'lengthMm', 'headMm'] }],
  checks: [
    { name: 'spare_screw_length_mm_check', expression: 'length_mm > 0' },
    { name: 'spare_screw_head_mm_check', expression: 'head_mm > 0' },
    { name: 'spare_screw_count_check', expression: 'count >= 0' },
  ],
  properties: {
    shopId: p.uuid().primary(),
    id: p.uuid().primary(),
    drive: p.text(),
    thread: p.text(),
    lengthMm: p.decimal('number').precision(5).scale(2),
    headMm: p.decimal('number').precision(5).scale(2),
    count: p.integer(),
    note: p.text().default(''),
    shop: shopOf,
  },
});
/** The stencils of the workshop: ball fields, and what their apertures leave. */
export const StencilEntity = defineEntity({
  name: 'StencilEntity',
  tableName: 'stencil',
  filters: ofShop,
  uniques: [{ properties: ['shopId', 'name'] }],
  properties: {
    shopId: p.uuid().primary(),
    id: p.uuid().primary(),
    name: p.text(),
    pitchMm: p.decimal('number').precision(6).scale(3),
    pattern: p.json<string[]>(),
    shape: p.text().default('circle'),
    apertureMm: p.decimal('number').precision(6).scale(3).nullable(),
    thicknessMm: p.decimal('number').precision(6).scale(3).nullable(),
    shop: shopOf,
  },
});
