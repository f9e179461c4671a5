import * as wording from '../../../../words/screens/device';
import { BigButton } from '../big-button';

/** A probe that begins with a press: what to do before it, and one large button. */
export function Press({
  title,
  how,
  text = wording.begin,
  busy,
  onPress,
}: {
  title: string;
  how?: string | undefined;
  text?: string;
  busy: boolean;
  onPress: () => void;
}) {
  return (
    <>
      <section className="ask" aria-live="polite">
        <h1>{title}</h1>
        {how && <p>{how}</p>}
      </section>
      <footer>
        <BigButton tone="go" disabled={busy} onClick={onPress}>
          {busy ? wording.measuring : `${text} ›`}
        </BigButton>
      </footer>
    </>
  );
}
