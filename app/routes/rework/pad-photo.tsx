import { Button, Upload } from 'antd';
import { useState } from 'react';
import type { Chip } from '../../../core/model/schema';
import { padName } from '../../../core/rework/pads';
import * as under from '../../../words/screens/photo-under';
import * as wording from '../../../words/screens/rework';
import { MarkPlaces } from '../../ui/mark-places';
import { Note } from '../../ui/note';
import { type KnownPlace, mostBytes, pictureOf, putStraight } from '../../ui/use-photos-under';

/** How large a pad's field is in the straight picture, in its units of eight pixels. */
const unit = 5;
const keyOf = (job: string, slot: string, side: string) => `snavek-pads-${job}-${slot}-${side}`;

/** The photograph through the microscope that lies under the pads of a side, in this browser; the record has it, too. */
export function usePadPhoto(job: string, slot: string, side: string) {
  const key = keyOf(job, slot, side);
  const [kept, setKept] = useState<{ key: string; url: string | null }>();
  const url =
    kept?.key === key ? kept.url : typeof localStorage === 'undefined' ? null : localStorage.getItem(key);
  const keep = (next: string | null) => {
    setKept({ key, url: next });
    try {
      if (next) localStorage.setItem(key, next);
      else localStorage.removeItem(key);
    } catch {
      // a full store: it stays until the page is left
    }
  };
  return { url, keep };
}
/** The four outermost places of a ball field, by the names of their pads. */
function cornersOf({ pattern }: Pick<Chip, 'pattern'>): KnownPlace[] {
  const [rows, columns] = [pattern.length, pattern[0]!.length];
  const at = (row: number, column: number): KnownPlace => {
    const name = padName(row, column);
    return { id: name, name: wording.padPlace, at: { x: (column + 0.5) * unit, y: (row + 0.5) * unit } };
  };
  return [at(0, 0), at(0, columns - 1), at(rows - 1, columns - 1), at(rows - 1, 0)];
}

/** Chooses such a photograph, has its corners marked, keeps it with the job. */
export function PadPhoto({
  chip,
  photo,
  disabled,
  onTaken,
}: {
  chip: Chip;
  photo: ReturnType<typeof usePadPhoto>;
  disabled: boolean;
  onTaken: (picture: Blob) => void;
}) {
  const [picture, setPicture] = useState<HTMLCanvasElement>();
  const [wrong, setWrong] = useState<string>();
  const open = async (file: File) => {
    setWrong(undefined);
    if (file.size > mostBytes) {
      setWrong(under.tooLarge(Math.round(file.size / 1e6)));
      return;
    }
    const canvas = await pictureOf(file);
    if (!canvas) {
      setWrong(under.notAPicture);
      return;
    }
    setPicture(canvas);
    onTaken(file);
  };
  const outline = { widthMm: chip.pattern[0]!.length * unit, heightMm: chip.pattern.length * unit };
  return (
    <>
      <div className="row">
        <Upload
          accept="image/*"
          showUploadList={false}
          disabled={disabled}
          beforeUpload={(file) => {
            void open(file);
            return false;
          }}
        >
          <Button disabled={disabled}>{wording.photoUnder}</Button>
        </Upload>
        {photo.url && <Button onClick={() => photo.keep(null)}>{under.takeAway}</Button>}
      </div>
      {wrong && (
        <Note tone="stop" role="alert">
          {wrong}
        </Note>
      )}
      {picture && (
        <MarkPlaces
          picture={picture}
          known={cornersOf(chip)}
          onClose={() => setPicture(undefined)}
          onMarked={(marked, places) => {
            const url = putStraight(picture, marked, places, outline);
            if (!url) return false;
            photo.keep(url);
            setPicture(undefined);
            return true;
          }}
        />
      )}
    </>
  );
}
