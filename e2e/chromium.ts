import { existsSync } from 'node:fs';

/** The browser as people have it. */
const whole = '/usr/bin/chromium';
/** The same one without the windows of its own, as Debian packs it: a quarter less time for the same tests. */
const windowless = '/usr/bin/chromium-headless-shell';

/** Debian's browser, without what of it asks the network: for the browser tests. */
export const chromiumHere = {
  executablePath: existsSync(windowless) ? windowless : whole,
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};
/** For the measurements: what people have is measured. */
export const wholeChromium = { ...chromiumHere, executablePath: whole };
