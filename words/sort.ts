/** What would tell mixed screws apart that the measures leave in doubt. */
export const sortText = {
  drive: 'in doubt. Say the drive: that tells the holes apart.',
  head: 'in doubt. Measure the head: that tells the holes apart.',
  'length again': 'in doubt. Measure the length again.',
  'nothing tells them apart': 'by measure either hole will do. Start each by hand.',
} as const;
