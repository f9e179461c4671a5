/**
 * A length that is typed at the bench: two digits are tenths of a millimetre and are taken by themselves (13 is 1.3 mm);
 * with a point or a comma it is what stands there, and is taken with Enter, as callipers end it.
 */
export class TypedLength {
  text = '';
  /** @returns whether the key belonged to a length */
  feed(key: string): boolean {
    if (/^\d$/.test(key) && this.text.length < 6) this.text += key;
    else if ((key === '.' || key === ',') && !this.text.includes('.')) this.text += '.';
    else return false;
    return true;
  }
  back(): boolean {
    if (!this.text) return false;
    this.text = this.text.slice(0, -1);
    return true;
  }
  clear(): void {
    this.text = '';
  }
  /** Nothing more need be typed. */
  get whole(): boolean {
    return /^\d\d$/.test(this.text);
  }
  /** In mm; undefined while it is none, or longer than any screw of a phone. */
  get mm(): number | undefined {
    if (!/\d/.test(this.text)) return undefined;
    const mm = this.text.includes('.') ? Number(this.text) : Number(this.text) / 10;
    return mm > 0 && mm <= 20 ? mm : undefined;
  }
}
