export const cutOff = 'It was cut off.';
