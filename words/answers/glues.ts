export const giveName = 'Give its name.';
export const giveCelsius = 'Give the temperature of the sheet, 5 to 60 °C.';
export const giveOpen = 'Give how long it stays open, above 0; or leave it empty.';
export const giveHandling = 'Give from when it holds by itself, 0 to 14 days.';
export const giveFull = 'Give from when it has its whole strength, 0 to 14 days.';
export const giveRoom = 'Give how warm the room is, 5 to 45 °C.';
