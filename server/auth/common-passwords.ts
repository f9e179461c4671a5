let common: Promise<ReadonlySet<string>> | undefined;
/** Passwords that everybody uses, by the list that comes with zxcvbn (Wheeler, USENIX Security 2016); only long enough ones. */
const list = () =>
  (common ??= import('@zxcvbn-ts/language-common').then(
    ({ dictionary }) =>
      new Set((dictionary['passwords-common'] as string[]).filter((word) => word.length >= 10)),
  ));

/** What is wrong with a password beside its length; undefined where nothing is. */
export async function tooCommon(password: string, login: string): Promise<string | undefined> {
  const word = password.toLowerCase();
  if (word.includes(login.toLowerCase())) return wording.holdsLoginName;
  if (new Set(word).size < 5) return wording.repeatsItself;
  return (await list()).has(word) ? wording.isCommon : undefined;
}
import * as wording from '../../words/answers/common-passwords';
