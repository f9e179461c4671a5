import type { ReworkEntry } from '../../../core/log/state';
import * as wording from '../../../words/screens/rework';
import { Note } from '../../ui/note';
import type { ModuleTestWork } from './use-module-test';

/** What the programmer said of the module, or that it says nothing. */
export function ModuleSaid({ test, work }: { test: ModuleTestWork; work: ReworkEntry | undefined }) {
  if (test.fault !== undefined)
    return (
      <Note tone="stop" role="alert">
        {wording.noModuleAnswer(test.fault)}
      </Note>
    );
  if (!work?.module) return null;
  const { fails } = work.module;
  return (
    <Note tone={fails.length ? 'warn' : 'safe'} role="status">
      {fails.length ? wording.moduleFails(fails.join(', ')) : wording.moduleSound}
    </Note>
  );
}
