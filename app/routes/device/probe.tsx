import { type ComponentType, useCallback, useEffect, useRef, useState } from 'react';
import { functionHow } from '../../../words/functions';
import * as wording from '../../../words/screens/device';
import { Cameras } from './probes/cameras';
import { Microphones } from './probes/microphones';
import { Motion } from './probes/motion';
import { PictureTest } from './probes/picture';
import { Battery, Charging } from './probes/power';
import { Radios } from './probes/radios';
import { Sound } from './probes/sound';
import { Touch } from './probes/touch';
import { Vibration } from './probes/vibration';
import type { ProbeProps, Taken } from './taken';
import { BigButton } from './big-button';

const probes: Partial<Record<string, ComponentType<ProbeProps>>> = {
  touch: Touch,
  picture: PictureTest,
  sound: Sound,
  microphones: Microphones,
  cameras: Cameras,
  vibration: Vibration,
  motion: Motion,
  charging: Charging,
  battery: Battery,
  radios: Radios,
};

/** One check on the phone: what it measures by itself; where it cannot, one question. */
export function Probe({
  sent,
  waiting,
  onSkip,
  ...props
}: Omit<ProbeProps, 'onCannot'> & { sent: boolean; waiting: number; onSkip: () => void }) {
  const { check, onTaken } = props;
  const [cannot, setCannot] = useState(false);
  const byHand = useCallback(() => setCannot(true), []);
  const Measure = check.kind && probes[check.kind];
  const started = useRef(false);
  useEffect(() => {
    if (check.kind !== 'started' || started.current) return;
    started.current = true;
    // a phone that opened this page has started
    onTaken({ kind: 'started' });
  }, [check.kind, onTaken]);
  if (sent || check.kind === 'started')
    return (
      <>
        <section className="ask" aria-live="polite">
          <h1>{waiting ? wording.waiting(waiting) : wording.measuring}</h1>
        </section>
        <footer>
          <BigButton tone="go" onClick={onSkip}>
            {wording.on} ›
          </BigButton>
        </footer>
      </>
    );
  if (Measure && !cannot) return <Measure {...props} onCannot={byHand} />;
  return <Ask {...props} cannot={cannot} onSay={onTaken} />;
}

/** What a browser cannot reach: one question, with what a pass is. */
function Ask({
  check,
  cannot,
  onSay,
}: Pick<ProbeProps, 'check'> & { cannot: boolean; onSay: (taken: Taken) => void }) {
  const say = (result: 'works' | 'fails' | 'untested') => onSay({ kind: 'said', result });
  return (
    <>
      <section className="ask">
        <p>{cannot ? wording.byHand : wording.passes}</p>
        <h1>{functionHow[check.function]}</h1>
      </section>
      <footer>
        {check.untestable && <BigButton onClick={() => say('untested')}>{wording.notTested}</BigButton>}
        <BigButton tone="bad" onClick={() => say('fails')}>
          {wording.doesNot}
        </BigButton>
        <BigButton tone="go" onClick={() => say('works')}>
          {wording.works}
        </BigButton>
      </footer>
    </>
  );
}
