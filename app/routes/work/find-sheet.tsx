import * as wording from '../../../words/screens/work';
import { Input, Form, Button } from 'antd';
import { useState } from 'react';
import type { IndexedModel } from '../../../core/model/index-model';
import { Sheet } from '../../ui/sheet';
import { thingName } from '../../../words/things';

/** Any thing of the device by its name or number, for whoever has no hand free for the mouse, or cannot see it on the map. */
export function FindSheet({
  index,
  onClose,
  onPick,
}: {
  index: IndexedModel;
  onClose: () => void;
  onPick: (id: string) => void;
}) {
  const [text, setText] = useState('');
  const want = text.trim().toLowerCase();
  const ids = [
    ...index.fasteners.keys(),
    ...index.connectors.keys(),
    ...index.slots.keys(),
    ...index.bonds.keys(),
    ...index.catches.keys(),
  ];
  const rank = (id: string) => {
    const name = thingName(index, id).toLowerCase();
    return id.toLowerCase() === want
      ? 0
      : id.toLowerCase().startsWith(want) || name.startsWith(want)
        ? 1
        : name.includes(want) || index.fasteners.get(id)?.name.toLowerCase().includes(want)
          ? 2
          : 9;
  };
  const found = want
    ? ids
        .filter((id) => rank(id) < 9)
        .sort((a, b) => rank(a) - rank(b))
        .slice(0, 8)
    : [];
  return (
    <Sheet title={wording.find} onClose={onClose}>
      <Form
        className="field"
        onFinish={() => {
          if (found[0]) onPick(found[0]);
        }}
        layout="vertical"
      >
        <label htmlFor="find">{wording.aScrewPlugPieceOr}</label>
        <Input
          id="find"
          data-first
          autoComplete="off"
          maxLength={40}
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
      </Form>
      <div className="row gap-8">
        {found.map((id) => (
          <Button key={id} onClick={() => onPick(id)}>
            {thingName(index, id)}
          </Button>
        ))}
        {want && !found.length && <span className="muted">{wording.thisDeviceHasNothingCalled(text)}</span>}
      </div>
    </Sheet>
  );
}
