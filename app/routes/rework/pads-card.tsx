import { Button, Segmented } from 'antd';
import { useState } from 'react';
import type { Chip } from '../../../core/model/schema';
import {
  judgePads,
  padName,
  type PadSide,
  padSides,
  type PadState,
  padsOf,
  statesOf,
} from '../../../core/rework/pads';
import { looks } from '../../../core/rework/work-plan';
import * as words from '../../../words/rework';
import * as wording from '../../../words/screens/rework';
import { ownerKey } from '../../job/outbox';
import { takePhoto } from '../../job/photos';
import { Note } from '../../ui/note';
import { PadPhoto, usePadPhoto } from './pad-photo';
import type { Rework } from './use-rework';

const marks: Record<PadState, string> = {
  ...{ good: '●', oxidised: '◐', lifted: '✕' },
  ...{ wired: '⌁', bridged: '●●', loose: '○' },
};
/** The chip's ball field: each pad good, oxidised or lifted, before and after; and what that comes to. */
export function PadsCard({ rework, chip }: { rework: Rework; chip: Chip }) {
  const { slot, state, report, ended, work, step, frame } = rework;
  const { who, page, replica } = frame;
  // what the step is about, until another side is asked for
  const asked = looks[step?.id ?? 'close test']?.side ?? (work?.done.includes('lift') ? 'after' : 'before');
  const [chosen, setChosen] = useState<{ at: string | undefined; side: PadSide }>();
  const side = chosen && chosen.at === step?.id ? chosen.side : asked;
  const setSide = (to: PadSide) => setChosen({ at: step?.id, side: to });
  const photo = usePadPhoto(page.id, slot!.id, side);
  const seen = state.pads[`${slot!.id} ${side}`] ?? {};
  const judged = judgePads(chip, seen);
  const set = (pads: Record<string, PadState>) =>
    Object.keys(pads).length && void report({ type: 'padsSeen', slot: slot!.id, side, pads });
  const rest = padsOf(chip.pattern).filter((pad) => seen[pad] === undefined);
  return (
    <section
      className={`card stack gap-8 ${step && looks[step.id] ? 'first-thing' : ''}`}
      aria-label={wording.pads}
    >
      <div className="spread">
        <h2>{wording.pads}</h2>
        <Segmented
          aria-label={wording.pads}
          value={side}
          onChange={(v) => setSide(v as PadSide)}
          options={padSides
            .filter((value) => value !== 'new' || work?.newPart)
            .map((value) => ({ value, label: wording.sideShort[value] }))}
        />
      </div>
      <PadPhoto
        {...{ chip, photo, disabled: ended }}
        onTaken={(picture) =>
          void takePhoto(ownerKey(who.shopId, who.personId), page.id, picture, slot!.id).then(() =>
            replica.sender.flush(),
          )
        }
      />
      <PadGrid
        chip={chip}
        seen={seen}
        states={statesOf[side]}
        under={photo.url}
        disabled={ended}
        onSet={(pad, is) => set({ [pad]: is })}
      />
      <p className="small muted m-0">{wording.padKeys(statesOf[side].map((is) => words.padStateName[is]))}</p>
      {judged.unseen > 0 ? (
        <div className="row">
          <Button
            disabled={ended}
            onMouseDown={(e) => e.preventDefault()}
            onClick={() => set(Object.fromEntries(rest.map((pad) => [pad, 'good' as const])))}
          >
            {wording.restGood(judged.unseen)}
          </Button>
        </div>
      ) : (
        <Verdict judged={judged} />
      )}
    </section>
  );
}
function Verdict({ judged }: { judged: ReturnType<typeof judgePads> }) {
  if (judged.verdict === 'stop') return <Note tone="stop">{wording.verdictStop(judged.carrying)}</Note>;
  if (judged.verdict === 'settle') return <Note tone="warn">{wording.verdictSettle(judged.spoilt)}</Note>;
  if (judged.verdict === 'wick') return <Note tone="warn">{wording.verdictWick(judged.oxidised)}</Note>;
  return <Note tone="safe">{wording.verdictGoOn(judged.lifted)}</Note>;
}
/** Each pad a button in its place; arrows go from one to the next, a press says the next state. */
function PadGrid({
  chip,
  seen,
  states,
  under,
  disabled,
  onSet,
}: {
  chip: Chip;
  seen: Readonly<Record<string, PadState>>;
  states: readonly PadState[];
  /** A photograph through the microscope, put straight. */
  under: string | null;
  disabled: boolean;
  onSet: (pad: string, is: PadState) => void;
}) {
  const columns = chip.pattern[0]!.length;
  const move = (event: React.KeyboardEvent<HTMLDivElement>) => {
    const by = { ArrowLeft: [0, -1], ArrowRight: [0, 1], ArrowUp: [-1, 0], ArrowDown: [1, 0] }[event.key];
    const [row, column] = ((event.target as HTMLElement).dataset.at ?? '').split(' ').map(Number);
    if (!by || row === undefined || column === undefined) return;
    event.preventDefault();
    for (let k = 1; k < 60; k++) {
      const at = `${row + by[0]! * k} ${column + by[1]! * k}`;
      const next = event.currentTarget.querySelector<HTMLElement>(`[data-at="${at}"]`);
      if (next) return next.focus();
    }
  };
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: the arrows go between the buttons in it
    <div
      className={under ? 'pad-grid over-photo' : 'pad-grid'}
      style={{
        gridTemplateColumns: `repeat(${columns}, 38px)`,
        ...(under ? { backgroundImage: `url("${under}")` } : {}),
      }}
      onKeyDown={move}
    >
      {chip.pattern.flatMap((line, row) =>
        [...line].map((dot, column) => {
          const pad = padName(row, column);
          if (dot !== '1') return <span key={pad} />;
          const is = seen[pad];
          const carries = !chip.unconnected.includes(pad);
          const next = states[is === undefined ? 0 : (states.indexOf(is) + 1) % states.length]!;
          return (
            <Button
              key={pad}
              data-at={`${row} ${column}`}
              className={`pad ${is ?? 'unseen'} ${carries ? '' : 'free'}`}
              disabled={disabled}
              aria-label={wording.padNow(pad, is ? words.padStateName[is] : wording.notLooked, carries)}
              title={pad}
              onClick={() => onSet(pad, next)}
            >
              {is ? marks[is] : ''}
            </Button>
          );
        }),
      )}
    </div>
  );
}
