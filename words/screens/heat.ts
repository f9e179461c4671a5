export const seal = 'seal';
export const cell = 'cell';
export const spoken = (figures: string): string => `How warm they become: ${figures}`;
export const at = (time: string, seal: number, cell: number | undefined): string =>
  `${time}: seal ${seal} °C${cell === undefined ? '' : `, cell ${cell} °C`}`;
export const window = 'window';
export const softens = (low: number, high: number): string => `softens ${low}–${high} °C`;
export const cellLimit = (celsius: number): string => `cell limit ${celsius} °C`;
export const atTheEdge = 'At the edge';
export const overTheCell = 'Over the cell';
export const layer = (name: string, mm: string): string => `${name} ${mm} mm`;
export const title = (station: string, setC: number): string => `${station}, set to ${setC} °C`;
export const heat = 'Heat window';
export const openBetween = (from: string, to: string): string => `Take it off between ${from} and ${to}`;
export const softFor = (time: string): string => `off the source it stays soft ${time}`;
export const softNow = 'soft: take it off, and open it';
export const offWithin = (time: string): string => `off within ${time}: the cell comes near its limit`;
export const tooLong = 'Take it off now: the cell may be at its limit';
export const offBy = (time: string, ofTen: number | undefined): string =>
  `Take it off by ${time}${ofTen === undefined ? '' : `: about ${ofTen} seals of ten are soft by then, solvent opens the rest`}`;
export const cold = (now: number, set: number): string =>
  `The source reads ${now.toFixed(0)} °C and is to be at ${set} °C: let it come to that first.`;
export const coldShort = 'the source is cold';
export const coldNow = 'The source is cold: no time counts until it is warm again';
export const readAgain = (celsius: number, from: number, to: number): string =>
  `${celsius} °C is not what is expected here: ${from.toFixed(0)} to ${to.toFixed(0)} °C. Read it once more and say it again: then it counts.`;
export const cannotBe = (celsius: number, to: number): string =>
  `${celsius} °C cannot be: no glass on this source is warmer than about ${to.toFixed(0)} °C. Is the source set as it says?`;
export const noWindow = 'No time on it is both long enough and safe';
export const noWindowBut = (limit: string, ofTen: number, soft: string | undefined): string =>
  `Take it off by ${limit}: then one cell of a hundred may be at its limit. About ${ofTen} seals of ten are soft by then${soft ? `, nine of ten not before ${soft}` : ''}. Solvent opens the rest; a reading at the glass, or a source that is measured, narrows it.`;
export const noWindowAtAll =
  'Nine seals of ten do not become soft on it within twelve minutes. Set it warmer, take another source, or use solvent.';
export const working = 'Computing how warm it becomes …';
export const rests = (from: 'model' | 'usual', read: number): string =>
  `Window: from where nine seals of ten are soft to where one cell of a hundred may be at 60 °C, or one panel of ten at 85 °C. Bands: eight of ten devices like this one, in a cross-section at the rim. Layers ${from === 'model' ? 'from the model' : 'as is usual for its thickness'}; materials and softening from memory, with their ranges${read ? `; narrowed by ${read === 1 ? 'one reading' : `${read} readings`} at the glass` : ''}.`;
export const glassReads = 'The glass reads';
export const take = 'Take it';
export const noReading = 'A temperature from 0 to 150 °C.';
export const keepForStation = 'Keep for this source';
export const kept = (station: string): string =>
  `Kept: from now on windows at the ${station} are computed with it.`;
export const fittedContact = (low: string, high: string, off: string): string =>
  `Fitted from the readings: contact ${low} to ${high} m²K/kW, ${off} K off what is set.`;
export const fittedFilm = (low: string, high: string, off: string): string =>
  `Fitted from the readings: film ${low} to ${high} W/(m²K), ${off} K off what is set.`;
export const narrower = (before: string, after: string): string =>
  `Without them the window was ${before}; it is ${after}.`;
export const none = 'none';
export const span = (from: string, to: string): string => `${from} to ${to}`;
export const map = 'Map';
export const sources = 'Heat sources';
export const sourcesMean =
  'How each is set: windows are computed with it. A reading at the glass, typed at a soak, tells what a source really does.';
export const set = (station: string): string => `${station} is set to`;
export const calibrated = (readings: number, day: string): string =>
  `fitted from ${readings === 1 ? 'one reading' : `${readings} readings`}, ${day}`;
export const notCalibrated = 'not measured: usual figures';
export const forget = 'Forget it';
export const range = (low: number, high: number): string => `From ${low} to ${high} °C.`;
export const readIt = 'Read the thermometer';
export const noThermometer = (said: string): string =>
  `The thermometer gives no reading${said ? `: ${said}` : ''}. Is it on, and its thermocouple at the glass?`;
