import { Button } from 'antd';
import { useState } from 'react';
import type { ModuleAnswer } from '../../../core/wire/identity';
import * as wording from '../../../words/screens/rework';
import { thingName } from '../../../words/things';
import { Note } from '../../ui/note';
import type { Rework } from './use-rework';

/** The module at the programmer: which of its parts answers. What it said is noted at the part. */
export function ModuleTest({ rework }: { rework: Rework }) {
  const { slot, frame, index, report } = rework;
  const [busy, setBusy] = useState(false);
  const [said, setSaid] = useState<ModuleAnswer>();
  const test = async () => {
    setBusy(true);
    const answer = await fetch(`/jobs/${frame.page.id}/module-test`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ slot: slot!.id, again: rework.step?.id === 'module test again' }),
    })
      .then((res) => res.json() as Promise<ModuleAnswer>)
      .catch((): ModuleAnswer => ({ ok: false, said: '' }));
    setBusy(false);
    setSaid(answer);
    if (answer.ok)
      void report({
        ...{ type: 'noted', thing: slot!.id },
        text: wording.moduleSaid(thingName(index, slot!.id), textOf(answer)),
      });
  };
  return (
    <div className="stack gap-4">
      <div className="row">
        <Button loading={busy} onMouseDown={(e) => e.preventDefault()} onClick={() => void test()}>
          {wording.moduleTest}
        </Button>
      </div>
      {said &&
        (said.ok ? (
          <Note tone={said.fails.length ? 'warn' : 'safe'} role="status">
            {textOf(said)}
          </Note>
        ) : (
          <Note tone="stop" role="alert">
            {wording.noModuleAnswer(said.said)}
          </Note>
        ))}
    </div>
  );
}
const textOf = ({ fails }: { fails: string[] }): string =>
  fails.length ? wording.moduleFails(fails.join(', ')) : wording.moduleSound;
