export const notSaid = 'Say which side of the device is seen in the photograph, and give it a name.';
export const ofAnother = 'This photograph belongs to another model.';
export const enough = (most: number): string =>
  `This model has ${most} photographs already. Take one away first.`;
export const notYours = 'Whoever put it there takes it away, or an owner or a lead.';
export const none = 'There is no such photograph.';
