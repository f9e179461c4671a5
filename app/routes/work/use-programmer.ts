import { useState } from 'react';
import type { Step } from '../../../core/steps/route';
import type { IdentityAnswer, IdentityAsk } from '../../../core/wire/identity';
import { benchTime } from '../../job/clock';

export type ProgrammerWork = {
  busy: boolean;
  fault: Extract<IdentityAnswer, { ok: false }>['fault'] | 'no server' | undefined;
  said: string;
  run: () => void;
  simulate: string;
  setSimulate: (s: string) => void;
};

/** Reads or writes identity data at the bench programmer; the pedal runs it, and what it says decides whether the step is done. */
export function useProgrammer(
  jobId: string,
  step: Pick<Step, 'id' | 'action' | 'targets'> | undefined,
  sync: () => Promise<void>,
): ProgrammerWork | undefined {
  const [busy, setBusy] = useState(false);
  const [fault, setFault] = useState<{ step: string; fault: ProgrammerWork['fault']; said: string }>();
  const [simulate, setSimulate] = useState('none');
  if (step?.action !== 'read data' && step?.action !== 'write data') return undefined;
  const run = () => {
    if (busy) return;
    setBusy(true);
    setFault(undefined);
    const ask: IdentityAsk = {
      do: step.action === 'read data' ? 'read' : 'write',
      command: crypto.randomUUID(),
      slot: step.targets[0]!,
      ...benchTime(),
      simulate: simulate as 'none',
    };
    void fetch(`/jobs/${jobId}/identity`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(ask),
    })
      .then(async (r) => {
        const identityAnswer = (await r.json()) as IdentityAnswer;
        if (!identityAnswer.ok)
          setFault({ step: step.id, fault: identityAnswer.fault, said: identityAnswer.said });
        await sync();
      })
      .catch(() => setFault({ step: step.id, fault: 'no server', said: '' }))
      .finally(() => setBusy(false));
  };
  const mine = fault?.step === step.id ? fault : undefined;
  return { busy, fault: mine?.fault, said: mine?.said ?? '', run, simulate, setSimulate };
}
