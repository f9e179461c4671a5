export const giveCurrency = 'Give a currency by its three letters, such as EUR or USD.';
export const giveCountry = 'Give a country by its two letters, such as IE or DE.';
export const giveTimeZone = 'Give a time zone by its name, such as Europe/Dublin.';
export const giveTax = 'Give the tax in per cent, such as 20 or 8.1; 0 for none.';
export const atMostPercent = 'At most 50 %.';
export const giveTaxName = 'Say what it is called, such as VAT.';
export const chooseRounding = 'Choose one of the roundings.';
