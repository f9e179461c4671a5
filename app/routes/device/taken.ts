import type { DeviceCheck, DevicePageData, DeviceResult } from '../../../core/wire/device-page';

export type Taken = DeviceResult['taken'];
/** What every probe is given: the check, what is known of the device, and where its result goes. */
export interface ProbeProps {
  check: DeviceCheck;
  page: DevicePageData;
  onTaken: (taken: Taken, pictures?: readonly string[]) => void;
  /** This browser cannot measure it: a person says. */
  onCannot: () => void;
}
