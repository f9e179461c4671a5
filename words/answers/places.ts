export const currencyStays = (currency: string): string =>
  `Stock and jobs are priced in ${currency}: the currency stays. A new workshop has its own.`;
export const kept = 'Kept: offers are priced so from now on.';
