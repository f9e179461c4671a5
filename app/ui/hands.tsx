import { useEffect, useState } from 'react';
import type { JobLine } from '../../core/wire/job-line';
import type { Who } from '../../core/wire/who';
import * as wording from '../../words/screens/hands';
import { listen, tell } from '../job/channel';
import type { Scan } from '../job/badge';
import { lockBench } from '../job/hands';
import { Sheet } from './sheet';
import { Unlock } from './unlock';

/** The screen stays as it is: the same page, of whoever works at it now. */
const sameScreen = () => window.location.reload();

/** A badge changes hands, minutes without a touch lock the bench; what lies on the screen stays there. */
export function Hands({ who, jobs, badge }: { who: Who; jobs: readonly JobLine[]; badge: Scan | undefined }) {
  const locked = useLocked(who);
  const [gone, setGone] = useState<typeof badge>();
  const scanned = badge === gone ? undefined : badge;
  if (!locked && !scanned) return null;
  return (
    <Sheet
      title={locked ? wording.locked(who.name) : wording.changingHands}
      {...(locked ? {} : { onClose: () => setGone(badge) })}
    >
      {locked && <div className="locked-bench" />}
      <Unlock
        name={who.name}
        jobs={jobs}
        badge={scanned}
        onDone={(name) => {
          setGone(badge);
          // all tabs of this browser are the same bench
          tell({ type: 'unlocked', name });
        }}
      />
    </Sheet>
  );
}
/** Whether this bench is locked: all its tabs are, together. */
function useLocked({ name, settings }: Who): boolean {
  const minutes = settings.hands?.lockMinutes ?? 0;
  const [now, setNow] = useState(false);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const lock = () =>
      void lockBench().then((is) => {
        if (is) tell({ type: 'locked' });
        else touched();
      });
    const touched = () => {
      clearTimeout(timer);
      if (minutes > 0) timer = setTimeout(lock, minutes * 60_000);
    };
    const stop = listen((message) => {
      if (message.type === 'locked') setNow(true);
      if (message.type === 'unlocked') {
        if (message.name === name) setNow(false);
        else sameScreen();
      }
      if (message.type === 'touched') touched();
    });
    // what is touched in one tab keeps them all open
    let told = 0;
    const touch = (event: Event) => {
      touched();
      if (event.timeStamp - told < 10_000) return;
      told = event.timeStamp;
      tell({ type: 'touched' });
    };
    const kinds = ['pointerdown', 'keydown', 'wheel'] as const;
    for (const kind of kinds) window.addEventListener(kind, touch, { capture: true, passive: true });
    touched();
    return () => {
      clearTimeout(timer);
      stop();
      for (const kind of kinds) window.removeEventListener(kind, touch, { capture: true });
    };
  }, [minutes, name]);
  return now;
}
