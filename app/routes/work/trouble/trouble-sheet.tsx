import * as wording from '../../../../words/screens/trouble';
import { Button } from 'antd';
import { useState } from 'react';
import type { TroubleKind } from '../../../../core/log/events';
import { Sheet } from '../../../ui/sheet';
import { list, pieceName, thingName } from '../../../../words/things';
import { AdriftWay } from './adrift-way';
import { BadScrewWay } from './bad-screw-way';
import { BondWay } from './bond-way';
import { DangerWay } from './danger-way';
import { PartWay } from './part-way';
import { SpillWay } from './spill-way';
import { StrayWay } from './stray-way';
import { WordsWay } from './words-way';
import { WrongScrewWay } from './wrong-screw-way';
import type { WayProps } from './way';
import { Note } from '../../../ui/note';

type WayOf = (p: WayProps) => React.ReactNode;
interface Trouble {
  id: string;
  name: string;
  way: WayOf;
  when?: (p: WayProps) => boolean;
}

const screwInHand = (p: WayProps) => p.target !== undefined && p.index.fasteners.has(p.target);
const screw =
  (kind: TroubleKind): WayOf =>
  (p) => <BadScrewWay key={kind} {...p} kind={kind} />;
/** What can go wrong, in the order in which hands ask for it. Each leads to a short way; what does not apply here is left out. */
const troubles: readonly Trouble[] = [
  { id: 'danger', name: wording.swollenPiercedWetTooHot, way: (p) => <DangerWay {...p} /> },
  { id: 'stripped', name: wording.headIsStripped, way: screw('stripped head'), when: screwInHand },
  { id: 'stuck', name: wording.itWillNotTurn, way: screw('stuck'), when: screwInHand },
  { id: 'thread', name: wording.threadDoesNotHold, way: screw('bad thread'), when: screwInHand },
  {
    id: 'wrong-screw',
    name: wording.screwTooLongOrWrong,
    way: (p) => <WrongScrewWay {...p} />,
    when: screwInHand,
  },
  { id: 'lost', name: wording.aScrewOrPieceIs, way: (p) => <AdriftWay {...p} /> },
  {
    id: 'torn',
    name: wording.itTore,
    way: (p) => <BondWay {...p} />,
    when: (p) => p.step?.action === 'release' || Object.values(p.state.bond).includes('torn'),
  },
  { id: 'stray', name: wording.aScrewTooMany, way: (p) => <StrayWay {...p} /> },
  {
    id: 'spill',
    name: wording.theMatWasKnocked,
    way: (p) => <SpillWay {...p} />,
    when: (p) => Object.values(p.state.place).some((at) => at.startsWith('mat/') || at === 'mixed'),
  },
  { id: 'broken', name: wording.somethingBroke, way: (p) => <PartWay key="broken" {...p} kind="broken" /> },
  {
    id: 'wrong',
    name: wording.wrongOrBadNewPart,
    way: (p) => <PartWay key="wrong" {...p} kind="wrong part" />,
    when: (p) => Object.values(p.state.task).includes('replace'),
  },
  { id: 'words', name: wording.somethingElse, way: (p) => <WordsWay {...p} /> },
];

/** Something is not as it should be. */
export function TroubleSheet(wayProps: WayProps) {
  const offered = troubles.filter((t) => t.when?.(wayProps) ?? true);
  const standing = Object.keys(wayProps.state.trouble).filter((t) => wayProps.state.trouble[t]);
  const adrift = Object.keys(wayProps.state.place).filter((x) => wayProps.state.place[x] === 'adrift');
  const [chosen, setChosen] = useState('');
  const now = offered.find((t) => t.id === chosen);
  return (
    <Sheet title={now ? now.name : wording.trouble} onClose={wayProps.onClose}>
      {!now && standing.length + adrift.length > 0 && (
        <Note tone="stop">
          {wording.open(
            list([...standing, ...adrift.map((x) => `${pieceName(wayProps.index, x)} adrift`)], 5),
          )}
        </Note>
      )}
      {!now && adrift.length > 0 && (
        <div className="row">
          {adrift.map((piece) => (
            <Button key={piece} onClick={() => setChosen('lost')}>
              {wording.lookFor(pieceName(wayProps.index, piece))}
            </Button>
          ))}
        </div>
      )}
      {!now && (
        <p className="muted">
          {wayProps.target ? wording.inHand(thingName(wayProps.index, wayProps.target)) : ''}
          {wording.whatIsIt}
        </p>
      )}
      {!now && (
        <div className="grid halves gap-8">
          {offered.map((trouble) => (
            <Button
              key={trouble.id}
              danger={trouble.id === 'danger'}
              className="begin"
              onClick={() => setChosen(trouble.id)}
            >
              {trouble.name}
            </Button>
          ))}
        </div>
      )}
      {now && (
        <>
          {now.way(wayProps)}
          <div>
            <Button onClick={() => setChosen('')}>{wording.otherTrouble}</Button>
          </div>
        </>
      )}
    </Sheet>
  );
}
