export const giveModel = 'Give the model’s id.';
export const givePlace = 'Give the place it fits.';
