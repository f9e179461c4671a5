import { useState } from 'react';
import * as wording from '../../../../words/screens/device';
import type { ProbeProps, Taken } from '../taken';
import { BigButton } from '../big-button';

type Mark = Extract<Taken, { kind: 'picture' }>['marks'][number];
const kinds = Object.keys(wording.kinds) as Mark['what'][];

/** Plain colours over the whole screen, one after another: whoever looks taps where something is wrong. */
export function PictureTest({ page: { widthMm, heightMm }, onTaken }: ProbeProps) {
  const [at, setAt] = useState(0);
  const [marks, setMarks] = useState<Mark[]>([]);
  const colour = wording.colours[at]!;
  const here = marks.filter((m) => m.on === colour);
  const on = () => {
    if (at + 1 < wording.colours.length) setAt(at + 1);
    else onTaken({ kind: 'picture', marks });
  };
  const last = here.at(-1);
  return (
    <>
      <BigButton
        className={`plain ${colour.replace(' ', '-')}`}
        aria-label={`${wording.lookAt}: ${colour}`}
        onClick={(e) =>
          setMarks([
            ...marks,
            {
              x: (e.clientX / window.innerWidth) * widthMm,
              y: (e.clientY / window.innerHeight) * heightMm,
              what: 'spot',
              on: colour,
            },
          ])
        }
      />
      {here.map((m) => (
        <i
          key={`${m.x} ${m.y}`}
          className="ring"
          style={{ left: `${(100 * m.x) / widthMm}%`, top: `${(100 * m.y) / heightMm}%` }}
        />
      ))}
      <footer className="over">
        <span>{here.length ? wording.marked(here.length) : `${wording.lookAt}: ${colour}`}</span>
        {last &&
          kinds.map((what) => (
            <BigButton
              key={what}
              aria-pressed={last.what === what}
              onClick={() => setMarks(marks.map((m) => (m === last ? { ...m, what } : m)))}
            >
              {wording.kinds[what]}
            </BigButton>
          ))}
        {last && (
          <BigButton onClick={() => setMarks(marks.filter((m) => m !== last))}>{wording.clear}</BigButton>
        )}
        <BigButton tone="go" onClick={on}>
          {here.length ? wording.on : wording.even} ›
        </BigButton>
      </footer>
    </>
  );
}
