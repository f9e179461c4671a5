import type { ReactNode } from 'react';
import * as wording from '../../words/screens/sign-in';

/** What stands before anybody is signed in: the name on one side, a form on the other. */
export function FrontPage({ children }: { children: ReactNode }) {
  return (
    <main className="sign-in">
      <div className="sign-in-word">
        <h1 className="size-44">snavek</h1>
        <p className="size-20 top-12">{wording.everyScrewConnectorAndStep}</p>
      </div>
      <div className="sign-in-forms">
        <div className="stack">{children}</div>
      </div>
    </main>
  );
}
