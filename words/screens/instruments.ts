import type { Instrument } from '../../core/wire/instruments';

export const title = 'Instruments';
export const means =
  'Where each one listens in your network: name or number, a colon, and its port. Snavek speaks SCPI lines over TCP to them. One that is not set up is read by hand.';
export const demoMeans =
  'In the demo a stand-in answers for each one that has no address. What it says is marked as simulated and proves nothing.';
export const nameOf: Record<Instrument, string> = {
  'leak-tester': 'Leak tester',
  'force-gauge': 'Gauge of the seal press',
  programmer: 'Programmer',
  'usb-meter': 'USB meter',
  'hot-plate': 'Hot plate',
  thermometer: 'Thermometer',
  'hot-air': 'Hot-air station',
};
export const placeholder = '192.168.1.20:5025';
export const tryIt = 'Try it';
export const keep = 'Keep';
export const remove = 'Remove';
export const giveAddress = 'Give name or number, a colon, and the port, as in 192.168.1.20:5025.';
export const answers = (name: string): string => `${name} answers.`;
export const silent = 'Nothing answers there. Is it on, and in this network?';
