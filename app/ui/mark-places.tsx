import { Button, Segmented } from 'antd';
import { useEffect, useRef, useState } from 'react';
import type { Point } from '../../core/model/editing';
import * as wording from '../../words/screens/photo-under';
import { Field } from './field';
import { Note } from './note';
import { Pick } from './pick';
import { Sheet } from './sheet';
import type { KnownPlace } from './use-photos-under';

const ways = ['corners', 'two'] as const;
type Way = (typeof ways)[number];

/** The photograph as it came, to have the four corners of the device marked in it, or two places that are known. */
export function MarkPlaces({
  picture,
  known,
  onClose,
  onMarked,
}: {
  picture: HTMLCanvasElement;
  /** The corners first. */
  known: readonly KnownPlace[];
  onClose: () => void;
  /** @returns false where no picture can be put straight so */
  onMarked: (marked: Point[], places: KnownPlace[]) => boolean;
}) {
  const [way, setWay] = useState<Way>('corners');
  const [marked, setMarked] = useState<Point[]>([]);
  const [two, setTwo] = useState<[string, string]>([known[0]!.id, known[2]!.id]);
  const [bad, setBad] = useState(false);
  const places = way === 'corners' ? known.slice(0, 4) : two.map((id) => known.find((p) => p.id === id)!);
  const next = places[marked.length];
  return (
    <Sheet title={next ? wording.markPlace(wording.placeName(next)) : wording.allMarked} onClose={onClose}>
      <div className="stack">
        <Segmented
          value={way}
          onChange={(value) => {
            setWay(value);
            setMarked([]);
          }}
          options={ways.map((value) => ({ value, label: wording.wayName[value] }))}
        />
        <p className="small muted m-0">{wording.wayMeans[way]}</p>
        {way === 'two' && (
          <div className="fields">
            {([0, 1] as const).map((n) => (
              <Field key={n} label={wording.placeNr(n + 1)} htmlFor={`place-${n}`}>
                <Pick
                  id={`place-${n}`}
                  value={two[n]}
                  onChange={(id) => setTwo(n === 0 ? [id, two[1]] : [two[0], id])}
                  options={known.map((place) => ({ value: place.id, label: wording.placeName(place) }))}
                />
              </Field>
            ))}
          </div>
        )}
        {bad && (
          <Note tone="stop" role="alert">
            {wording.noStraight[way]}
          </Note>
        )}
        <Marked picture={picture} marked={marked} onMark={(at) => next && setMarked([...marked, at])} />
        <div className="row">
          <Button
            type="primary"
            disabled={marked.length < places.length}
            onClick={() => {
              if (onMarked(marked, places)) return;
              setBad(true);
              setMarked([]);
            }}
          >
            {wording.putStraight}
          </Button>
          <Button disabled={!marked.length} onClick={() => setMarked([])}>
            {wording.beginAgain}
          </Button>
        </div>
      </div>
    </Sheet>
  );
}
/** The picture with what has been marked in it. */
function Marked({
  picture,
  marked,
  onMark,
}: {
  picture: HTMLCanvasElement;
  marked: readonly Point[];
  onMark: (at: Point) => void;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const el = canvas.current!;
    el.width = picture.width;
    el.height = picture.height;
    el.getContext('2d')!.drawImage(picture, 0, 0);
  }, [picture]);
  const mark = (event: React.MouseEvent<HTMLCanvasElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    onMark({
      x: ((event.clientX - box.left) / box.width) * picture.width,
      y: ((event.clientY - box.top) / box.height) * picture.height,
    });
  };
  return (
    <div className="corners">
      <canvas ref={canvas} onClick={mark} aria-label={wording.pictureToMark} role="img" />
      <svg viewBox={`0 0 ${picture.width} ${picture.height}`} aria-hidden>
        <polygon points={marked.map((c) => `${c.x},${c.y}`).join(' ')} />
        {marked.map((c) => (
          <circle key={`${c.x} ${c.y}`} cx={c.x} cy={c.y} r={picture.width / 90} />
        ))}
      </svg>
    </div>
  );
}
