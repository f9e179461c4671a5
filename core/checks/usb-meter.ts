/** What a meter between charger and device reads. */
export interface UsbReading {
  volt: number;
  ampere: number;
}
/**
 * Whether a device draws what one that charges does: a unit load of 100 mA or more (Universal Serial Bus Specification 2.0,
 * section 7.2.1; from memory), at a voltage within its range of 4.4 to 5.25 V, or above it where more was agreed. A cell that
 * is full draws less: that is `hardly`, and said so.
 */
export function chargeOf({ volt, ampere }: UsbReading): 'charges' | 'hardly' | 'no current' | 'no voltage' {
  if (volt < 4.4) return 'no voltage';
  if (ampere >= 0.1) return 'charges';
  return ampere >= 0.02 ? 'hardly' : 'no current';
}
