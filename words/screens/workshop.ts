/** Of what of a workshop's place is not kept yet, and filled in from the browser. */
export const placeIsThisBrowsers = (what: 'country' | 'time zone' | 'both'): string =>
  what === 'both'
    ? 'Country and time zone are this browser’s so far. Keep them, and every bench writes times and money so.'
    : `The ${what} is this browser’s so far. Keep it, and every bench writes times and money so.`;
export const rateWarrantyAndWaits = 'Rate, warranty and waits';
export const benchInTheNetwork = 'The bench in the network';
export const benchName = 'Name under which phones reach it';
export const benchNameMeans =
  'Links for repaired phones use it. Start the bench with HOST_NAME set to it, so that its certificate is good for it, and let your router know it.';
export const does = 'does alone';
export const doesMeans =
  'Ticked: does it alone. The day gives chip work and devices with a swollen or leaking cell to nobody else.';
export const skillName = { 'chip work': 'chip work', 'bad cell': 'swollen cells' } as const;
export const doesSkill = (person: string, skill: string): string => `${person} does ${skill} alone`;
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
export const changesAreKeptAtOnce = 'What is changed counts for what is planned and offered from then on.';
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
export const namePlaceAndMoney = 'Name, place and money';
export const shopName = 'Name of the workshop';
export const offersRoundedTo = 'Offers are rounded to';
export const taxPercent = 'Tax, %';
export const taxName = 'Its name on paper';
export const backUpDaily = 'Back up every day by itself, and bring it back for a test';
export const backupHour = 'At';
export const keepDays = 'Keep for days';
export const taskWaits = 'waiting';
export const taskProgress = 'how far it is';
export const taskFailed = (when: string, why: string): string => `${when}: it failed. ${why}`;
export const stop = 'Stop';
export const ownersData = 'Owners’ data';
export const eraseAfter = 'Erase after months; 0: never by itself';
export const eraseMeans =
  'Name, signatures and photographs of an owner, so long after the job was closed. The log stays: what was done, by whom, and the words of the complaint.';
export const methodsAndStations = 'Methods and stations';
export const placeAndMoney = 'Place and money';
export const data = 'Data';
export const ofTheWorkshop = 'Of the workshop';
export const backupByWhom =
  'An owner makes backups here where theirs is the only workshop of the machine; else whoever runs the machine does.';
export const newBadge = 'New badge';
export const badgeOf = (name: string): string => `Badge of ${name}`;
export const badgeMeans =
  'Scanned at any bench of the workshop it changes hands there. The one before serves no more. It is not shown again.';
export const print = 'Print';
export const changingHands = 'Changing hands at a bench';
export const pinAfterBadge = 'After the badge a number or the password of one’s own';
export const lockMinutes = 'Lock after minutes without a touch; 0: never';
export const handsMean =
  'A locked bench shows what runs by itself. Each chooses their number under their name, top right.';
export const takeAlong = 'Take it all with you';
export const takeAlongMeans =
  'Jobs and their logs, people, stock, models, photographs and reports as one ZIP of open formats, described in it.';
export const writeIt = 'Write the file';
export const takeIn = 'Take a workshop in';
export const takeInMeans =
  'Such a file of another installation, where no job and no part is yet. It is taken in whole or not at all; people get links for their passwords.';
export const chooseZip = 'Choose a ZIP file';
export const notSent = 'It was not sent: try again.';
