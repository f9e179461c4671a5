export const noNetworkThisPartOf =
  'No network: this part of the page has not come yet. It comes by itself when there is one.';
export const nothingHere = 'Nothing here.';
export const thisJob = 'This job';
export const doItAllTheSame = 'Do it all the same';
export const search = 'Search';
export const columns = 'Columns';
export const dayAndTime = 'day and time';
export const stock = 'Stock';
export const sparesBox = 'Spares box';
export const country = 'Country';
export const countryHint = 'choose…';
export const timeZone = 'Time zone';
export const timeZoneHint = 'choose…';
export const currency = 'Currency';
export const taxIncluded = 'The tax is in our prices already';
export const stencils = 'Stencils';
export const glues = 'Glues';
