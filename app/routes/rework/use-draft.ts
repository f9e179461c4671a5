import { useMemo, useState } from 'react';
import type { ReworkEntry } from '../../../core/log/state';
import type { Chip, Slot } from '../../../core/model/schema';
import {
  type AirSchool,
  kindsFor,
  type ReworkKind,
  type ReworkSetting,
} from '../../../core/rework/work-plan';
import type { ReworkPage } from '../../../core/wire/rework-page';
import type { JobFrame } from '../../ui/job-frame';

/** Work that was begun, as it was set then. */
export const settingOfWork = (
  { kind, school, practice, stencil, newPart }: ReworkEntry,
  chip: Chip | undefined,
): ReworkSetting => ({
  ...{ kind, school, practice, stencil: stencil !== '', newPart: newPart ?? false },
  underfill: chip?.underfill ?? true,
});

/** How the work will be done, until it is begun: as the house does it, until somebody says otherwise here. */
export function useDraft({
  frame,
  slot,
  chip,
  page,
  fits,
  newPart,
}: {
  frame: JobFrame;
  slot: Slot | undefined;
  chip: Chip | undefined;
  page: ReworkPage;
  fits: readonly { id: string }[];
  newPart: boolean;
}) {
  const kinds = slot ? kindsFor({ kind: slot.kind, laser: slot.traits.includes('laser') }) : [];
  const [said, setSaid] = useState<{
    kind?: ReworkKind;
    school?: AirSchool;
    practice?: boolean;
    stencil?: string;
    newPart?: boolean;
  }>({});
  const { route, methods } = frame.context;
  const house = (route?.input.methods ?? methods)?.['chip-work'];
  const nameOf = (id: string) => page.stencils.find((s) => s.id === id)?.name ?? id;
  const kind = said.kind && kinds.includes(said.kind) ? said.kind : (kinds[0] ?? 'identity chip');
  const school: AirSchool = said.school ?? (house === '300' ? '300' : '280');
  const stencil = said.stencil ?? (fits[0] ? nameOf(fits[0].id) : '');
  const practice = said.practice ?? false;
  const goesToNew = said.newPart ?? newPart;
  const underfill = chip?.underfill ?? true;
  const setting = useMemo(
    (): ReworkSetting => ({
      ...{ kind, school, practice, underfill, newPart: goesToNew },
      stencil: stencil !== '',
    }),
    [kind, school, practice, underfill, goesToNew, stencil],
  );
  return {
    ...{ kinds, setting, stencil, nameOf },
    set: (change: typeof said) => setSaid({ ...said, ...change }),
    /** The customer has agreed to it. */
    mayBegin: frame.state.consent.chip !== undefined,
  };
}
export type Draft = ReturnType<typeof useDraft>;
