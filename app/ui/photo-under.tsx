import { Button, Slider, Upload } from 'antd';
import { useState } from 'react';
import type { IndexedModel } from '../../core/model/index-model';
import type { Face } from '../../core/vocabulary/trade';
import * as wording from '../../words/screens/photo-under';
import { faceText } from '../../words/things';
import { MarkPlaces } from './mark-places';
import { Note } from './note';
import { Pick } from './pick';
import { knownPlaces, mostBytes, pictureOf, putStraight, usePhotosUnder } from './use-photos-under';

/** What is shown under a side of a map: which photograph, and how far the things over it are seen through. */
export function usePhotoUnder(index: IndexedModel, face: Face) {
  const { photos: all, refused, add, drop } = usePhotosUnder(index.model.id);
  const [chosen, setChosen] = useState<string>();
  const [through, setThrough] = useState(55);
  const photos = all.filter((p) => p.face === face);
  const shown = photos.find((p) => p.id === chosen) ?? photos.at(-1);
  return { index, face, photos, refused, add, drop, shown, setChosen, through, setThrough };
}
type UnderState = ReturnType<typeof usePhotoUnder>;

/** The photograph itself, in the map's millimetres, as one looks at that side. */
export function UnderPicture({ under: { shown, index } }: { under: UnderState }) {
  if (!shown) return null;
  const { widthMm, heightMm } = index.model.outline;
  return (
    <image
      href={shown.url}
      width={widthMm}
      height={heightMm}
      preserveAspectRatio="none"
      pointerEvents="none"
    />
  );
}

/** Chooses a photograph, has it put straight, and says how much of it is seen. */
export function PhotoUnderControls({ under }: { under: UnderState }) {
  const [picture, setPicture] = useState<{ canvas: HTMLCanvasElement; name: string }>();
  const [wrong, setWrong] = useState<string>();
  const { index, face, photos, refused, shown, through, setThrough, setChosen, add, drop } = under;
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
      <p className="small muted m-0">{wording.means(faceText(face))}</p>
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
            value={shown.id}
            onChange={setChosen}
            options={photos.map((p) => ({ value: p.id, label: p.name }))}
          />
        )}
        {shown?.mayDrop && <Button onClick={() => void drop(shown)}>{wording.takeAway}</Button>}
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
      {(wrong ?? refused) && (
        <Note tone="stop" role="alert">
          {wrong ?? refused}
        </Note>
      )}
      {picture && (
        <MarkPlaces
          picture={picture.canvas}
          known={knownPlaces(index, face)}
          onClose={() => setPicture(undefined)}
          onMarked={(marked, places) => {
            const url = putStraight(picture.canvas, marked, places, index.model.outline);
            if (!url) return false;
            setChosen(add({ name: picture.name, face, url }));
            setPicture(undefined);
            return true;
          }}
        />
      )}
    </div>
  );
}
