export const glues = 'Glues and seals';
export const means =
  'By the sheet of each product. What a route waits for, until when a part may go in, and until when the owner keeps the device from water and warmth follow from it; without a sheet the model’s own time is taken.';
export const caution =
  'The times are the maker’s. In a colder room everything takes longer: twice for each 10 °C (rule of thumb; the sheet comes first). UV glue sets only where light reaches it.';
export const itemName = {
  'contact-glue': 'Contact glue',
  'uv-glue': 'UV glue',
  'perimeter-seal': 'Pre-cut seal',
} as const;
export const name = 'Product';
export const at = 'Its times are for';
export const open = 'Stays open';
export const handling = 'Holds by itself after';
export const full = 'Whole strength after';
export const keep = 'Keep';
export const forget = 'No sheet';
export const room = 'The room';
export const here = (open: string, handling: string, full: string): string =>
  `Here: ${open ? `open ${open}, ` : ''}holds after ${handling}, whole strength after ${full}.`;
export const noSheet = 'No sheet of it.';
