import { main } from '../snavek';

/** What the command line says to these arguments, and how it ends. */
export function run(args: string[], stdin = '', now = () => 0): { code: number; out: string; err: string } {
  let out = '';
  let err = '';
  const code = main(
    args,
    (t) => {
      out += t;
    },
    (t) => {
      err += t;
    },
    () => stdin,
    now,
  );
  return { code, out, err };
}
