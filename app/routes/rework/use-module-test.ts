import { useState } from 'react';
import type { ReworkEntry } from '../../../core/log/state';
import type { ReworkStep } from '../../../core/rework/work-plan';
import type { ModuleAnswer, ModuleAsk } from '../../../core/wire/identity';
import { benchTime } from '../../job/clock';

/** The module at the programmer: which of its parts fail. The pedal runs it; the server records what it said. */
export function useModuleTest(
  jobId: string,
  slot: string | undefined,
  step: ReworkStep | undefined,
  sync: () => Promise<void>,
) {
  const [busy, setBusy] = useState(false);
  const [fault, setFault] = useState<string>();
  const again = step?.id === 'module test again';
  const at = again || step?.id === 'module test';
  const run = () => {
    if (busy || !slot) return;
    setBusy(true);
    setFault(undefined);
    const { at: pressedAt, clockKnown } = benchTime();
    const ask: ModuleAsk = { slot, again, command: crypto.randomUUID(), at: pressedAt, clockKnown };
    void fetch(`/jobs/${jobId}/module-test`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(ask),
    })
      .then((res) => res.json() as Promise<ModuleAnswer>)
      .catch((): ModuleAnswer => ({ ok: false, said: '' }))
      .then(async (answer) => {
        if (answer.ok) await sync();
        else setFault(answer.said);
      })
      .finally(() => setBusy(false));
  };
  return at ? { busy, fault, run } : undefined;
}
export type ModuleTestWork = NonNullable<ReturnType<typeof useModuleTest>>;
/** Whether a step at which a module is tested has been: the second time nothing may fail any more. */
export const moduleIsTested = (step: ReworkStep, work: ReworkEntry | undefined): boolean =>
  step.id === 'module test'
    ? work?.module !== undefined
    : work?.module?.again === true && work.module.fails.length === 0;
