export const plate = 'Hot plate';
export const setTo = (celsius: number): string => `Set it to ${celsius} °C`;
export const off = 'Turn it off';
export const isOff = (now: string): string => `The plate is off, at ${now} °C.`;
export const setOtherwise = (now: string): string =>
  `The plate is at ${now} °C, and set otherwise than the window was computed with.`;
export const isThere = (now: string): string => `The plate is at ${now} °C, as the window was computed with.`;
export const tooWarm = (now: string): string => `The plate is at ${now} °C, and cools: wait with the device.`;
export const warms = (now: string, left: string): string =>
  `The plate is at ${now} °C, and there in about ${left}: wait with the device.`;
export const noPlate = (said: string): string =>
  `The plate does not answer${said ? ` (${said})` : ''}: set it by hand.`;
