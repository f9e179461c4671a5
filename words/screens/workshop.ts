export const rateWarrantyAndWaits = 'Rate, warranty and waits';
export const warrantyOnTheWorkMonths = 'Warranty on the work, months';
export const notSaidOnTheReport = 'not said on the report';
export const anHourOfHands = (currency: string): string => `An hour of hands, ${currency}`;
export const keep = 'Keep';
export const alcoholFlashesOffBeforeHeat = 'Alcohol flashes off before heat, s';
export const deviceCoolsBeforeAlcoholS = 'Device cools before alcohol, s';
export const shippedMinimums60SAnd = 'Shipped minimums: 60 s and 120 s; longer is always allowed.';
export const people = 'People';
export const who = 'who';
export const role = 'role';
export const roleOf = (name: string): string => `Role of ${name}`;
export const addAPerson = 'Add a person';
export const name = 'Name';
export const loginName = 'Login name';
export const bench = 'Bench';
export const roleLabel = 'Role';
export const add = 'Add';
export const changesAreKeptAtOnce = 'Changes are kept at once and count for routes planned from then on.';
export const asLeadYouChangeThe = 'As lead you change the methods; the rest is the owner’s.';
export const onlyAnOwnerOrFor = 'Only an owner, or for the methods a lead, changes this page.';
export const houseMethods = 'House methods';
export const whereTheTradeDisagreesThe =
  'Where the trade disagrees, the workshop chooses; any job can choose otherwise on its Route screen.';
export const question = 'question';
export const here = 'here';
export const defaultAndWhy = 'default, and why';
export const stations = 'Stations';
export const aRouteUsesOnlyWhat = 'A route uses only what stands here.';
export const notInYet = 'not in yet';
export const anotherLink = 'Another link';
export const linkForPassword = 'Link for another password';
export const hasLeft = 'Has left';
export const hasLeftAsk = (name: string): string => `Has ${name} left?`;
export const hasLeftMeans = (name: string): string =>
  `${name} is signed out everywhere and cannot sign in any more. The record keeps the name at what was done.`;
export const staysHere = 'Stays here';
export const more = (name: string): string => `More about ${name}`;
export const linkFor = (name: string): string => `A link for ${name}`;
export const linkServesOnce =
  'Whoever opens it sets the password, once, within two days. Show it to nobody else; it is not shown again.';
export const practice = 'Practice models';
export const practiceMeans =
  'Seven invented devices to learn with: received like any other, and marked as practice wherever they are chosen.';
export const practiceOn = 'Offer the practice models';
export const copyIt = 'Copy the link';
export const copied = 'Copied';
export const backup = 'Backup';
export const backupNone = 'Nothing has been saved yet: what this machine loses is gone.';
export const backupOld = (when: string): string => `The latest is of ${when}. Save again.`;
export const made = 'made';
export const size = 'size';
export const inMb = (bytes: number): string => `${(bytes / 1e6).toFixed(1)} MB`;
export const download = 'Download';
export const downloadOf = (name: string): string => `Download ${name}`;
export const backUpNow = 'Back up now';
export const backupMeans =
  'Everything in one file, keys included: keep it as you keep the keys, and on another machine. It is brought back with npm run restore.';
