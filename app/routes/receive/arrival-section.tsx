import * as wording from '../../../words/screens/receive';
import { Button } from 'antd';
import { Note } from '../../ui/note';
import { PhotoButton } from '../../ui/photo-button';
import { OutlineMarks } from './outline-marks';
import type { Upload } from './photo-upload';
import type { ReceiveState } from './use-receive';

/** What the device looks like on arrival: marks on its outline, photographs of it. */
export function ArrivalSection({ form }: { form: ReceiveState }) {
  const { draft, change, model, photos, photoUrl, dropPhoto, upload } = form;
  return (
    <section className="card stack" aria-label={wording.stateOnArrival}>
      <div className="spread mid">
        <h2>{wording.stateOnArrival}</h2>
        {model && (
          <span className="row gap-6">
            {photos
              .filter((p) => !p.mark)
              .map((p) => (
                <a key={p.id} href={photoUrl(p.id)} target="_blank" rel="noreferrer">
                  <img
                    className="thumb"
                    src={photoUrl(p.id)}
                    alt={wording.theDeviceOnArrival}
                    width={44}
                    height={44}
                  />
                </a>
              ))}
            <PhotoButton label={wording.photographTheDevice} text="Photo" onFiles={(f) => upload.add(f)} />
          </span>
        )}
      </div>
      {upload.uploads.map((u) => (
        <UploadNote key={u.id} upload={u} onAgain={upload.again} onDrop={upload.drop} />
      ))}
      {model ? (
        <OutlineMarks
          outline={model.outline}
          marks={draft.marks ?? []}
          photos={photos}
          photoUrl={photoUrl}
          onChange={(marks) => {
            for (const photo of photos)
              if (photo.mark && !marks.some((k) => k.id === photo.mark)) dropPhoto(photo.id);
            change({ marks });
          }}
          onPhoto={(f, mark) => upload.add(f, mark)}
        />
      ) : (
        <p className="muted">{wording.chooseTheModelItsOutlines}</p>
      )}
    </section>
  );
}

/** A photograph on its way, or one that has not got there. */
function UploadNote({
  upload: u,
  onAgain,
  onDrop,
}: {
  upload: Upload;
  onAgain: (id: string) => void;
  onDrop: (id: string) => void;
}) {
  const failed = u.state === 'failed';
  return (
    <Note
      tone={failed ? 'stop' : 'warn'}
      className="small mid"
      layout="spread"
      role={failed ? 'alert' : 'status'}
    >
      <span>{failed ? u.error : wording.sending(u.file.name ?? 'a photograph')}</span>
      {failed && (
        <span className="row gap-6 one-line">
          <Button onClick={() => onAgain(u.id)}>{wording.again}</Button>
          <Button
            aria-label={wording.forget(u.file.name ?? wording.thePhotograph2)}
            onClick={() => onDrop(u.id)}
          >
            ×
          </Button>
        </span>
      )}
    </Note>
  );
}
