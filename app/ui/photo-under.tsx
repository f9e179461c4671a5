import { Button, Slider, Upload } from 'antd';
import { useEffect, useRef, useState } from 'react';
import type { Point } from '../../core/model/editing';
import * as wording from '../../words/screens/photo-under';
import { Note } from './note';
import { Pick } from './pick';
import { Sheet } from './sheet';
import { mostBytes, type PhotoUnder, pictureOf, putStraight, usePhotosUnder } from './use-photos-under';

interface Outline {
  widthMm: number;
  heightMm: number;
}
/** What is shown under a map: which photograph, and how far the things over it are seen through. */
export function usePhotoUnder(model: string) {
  const { photos, add, drop } = usePhotosUnder(model);
  const [name, setName] = useState<string>();
  const [through, setThrough] = useState(55);
  const shown = photos.find((p) => p.name === name) ?? photos.at(-1);
  return { photos, add, drop, shown, setName, through, setThrough };
}
export type UnderState = ReturnType<typeof usePhotoUnder>;

/** The photograph itself, in the map's millimetres; on the back it lies as the device does. */
export function UnderPicture({ photo, outline }: { photo: PhotoUnder | undefined; outline: Outline }) {
  if (!photo) return null;
  return (
    <image
      href={photo.url}
      width={outline.widthMm}
      height={outline.heightMm}
      preserveAspectRatio="none"
      pointerEvents="none"
    />
  );
}

/** Chooses a photograph, has it put straight, and says how much of it is seen. */
export function PhotoUnderControls({ under, outline }: { under: UnderState; outline: Outline }) {
  const [picture, setPicture] = useState<{ canvas: HTMLCanvasElement; name: string }>();
  const [wrong, setWrong] = useState<string>();
  const { photos, shown, through, setThrough, setName, add, drop } = under;
  const open = async (file: File) => {
    setWrong(undefined);
    if (file.size > mostBytes) {
      setWrong(wording.tooLarge(Math.round(file.size / 1e6)));
      return;
    }
    const canvas = await pictureOf(file);
    if (canvas) setPicture({ canvas, name: file.name });
    else setWrong(wording.notAPicture);
  };
  return (
    <div className="stack gap-4">
      <p className="small muted m-0">{wording.means}</p>
      <div className="row">
        <Upload
          accept="image/*"
          showUploadList={false}
          beforeUpload={(file) => {
            void open(file);
            return false;
          }}
        >
          <Button>{wording.choose}</Button>
        </Upload>
        {photos.length > 1 && shown && (
          <Pick
            aria-label={wording.which}
            value={shown.name}
            onChange={setName}
            options={photos.map((p) => ({ value: p.name, label: p.name }))}
          />
        )}
        {shown && <Button onClick={() => drop(shown.name)}>{wording.takeAway}</Button>}
      </div>
      {shown && (
        <div className="row one-line small">
          <label htmlFor="seen-through">{wording.seenThrough}</label>
          <Slider
            id="seen-through"
            ariaLabelForHandle={wording.seenThrough}
            className="fill"
            min={10}
            max={100}
            value={through}
            onChange={setThrough}
          />
        </div>
      )}
      {wrong && (
        <Note tone="stop" role="alert">
          {wrong}
        </Note>
      )}
      {picture && (
        <Corners
          picture={picture.canvas}
          onClose={() => setPicture(undefined)}
          onCorners={(corners) => {
            const url = putStraight(picture.canvas, corners, outline);
            if (!url) return false;
            add({ name: picture.name, url });
            setName(picture.name);
            setPicture(undefined);
            return true;
          }}
        />
      )}
    </div>
  );
}
/** The photograph as it came, to have the four corners of the device marked in it. */
function Corners({
  picture,
  onClose,
  onCorners,
}: {
  picture: HTMLCanvasElement;
  onClose: () => void;
  onCorners: (corners: Point[]) => boolean;
}) {
  const [corners, setCorners] = useState<Point[]>([]);
  const [bad, setBad] = useState(false);
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const el = canvas.current!;
    el.width = picture.width;
    el.height = picture.height;
    el.getContext('2d')!.drawImage(picture, 0, 0);
  }, [picture]);
  const mark = (event: React.MouseEvent<HTMLCanvasElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const at = {
      x: ((event.clientX - box.left) / box.width) * picture.width,
      y: ((event.clientY - box.top) / box.height) * picture.height,
    };
    if (corners.length < 4) setCorners([...corners, at]);
  };
  const next = wording.corner[corners.length];
  return (
    <Sheet title={next ? wording.markCorner(next) : wording.allCorners} onClose={onClose}>
      <div className="stack">
        {bad && (
          <Note tone="stop" role="alert">
            {wording.noStraight}
          </Note>
        )}
        <div className="corners">
          <canvas ref={canvas} onClick={mark} aria-label={wording.pictureToMark} role="img" />
          <svg viewBox={`0 0 ${picture.width} ${picture.height}`} aria-hidden>
            <polygon points={corners.map((c) => `${c.x},${c.y}`).join(' ')} />
            {corners.map((c) => (
              <circle key={`${c.x} ${c.y}`} cx={c.x} cy={c.y} r={picture.width / 90} />
            ))}
          </svg>
        </div>
        <div className="row">
          <Button
            type="primary"
            disabled={corners.length < 4}
            onClick={() => {
              if (onCorners(corners)) return;
              setBad(true);
              setCorners([]);
            }}
          >
            {wording.putStraight}
          </Button>
          <Button disabled={!corners.length} onClick={() => setCorners([])}>
            {wording.beginAgain}
          </Button>
        </div>
      </div>
    </Sheet>
  );
}
