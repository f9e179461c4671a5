/** Speaks through the browser's own voice where it has one; what was being said is cut off. @returns whether it can */
export function say(text: string): boolean {
  if (typeof speechSynthesis === 'undefined') return false;
  speechSynthesis.cancel();
  const words = new SpeechSynthesisUtterance(text);
  words.lang = 'en-GB';
  speechSynthesis.speak(words);
  return true;
}
