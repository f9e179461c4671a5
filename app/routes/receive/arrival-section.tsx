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
    <section className="card stack" aria-label="State on arrival">
      <div className="spread mid">
        <h2>State on arrival</h2>
        {model && (
          <span className="row gap-6">
            {photos
              .filter((p) => !p.mark)
              .map((p) => (
                <a key={p.id} href={photoUrl(p.id)} target="_blank" rel="noreferrer">
                  <img
                    className="thumb"
                    src={photoUrl(p.id)}
                    alt="The device on arrival"
                    width={44}
                    height={44}
                  />
                </a>
              ))}
            <PhotoButton label="Photograph the device" text="Photo" onFiles={(f) => upload.add(f)} />
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
            for (const p of photos) if (p.mark && !marks.some((k) => k.id === p.mark)) dropPhoto(p.id);
            change({ marks });
          }}
          onPhoto={(f, mark) => upload.add(f, mark)}
        />
      ) : (
        <p className="muted">Choose the model: its outlines stand here to be marked.</p>
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
      <span>{failed ? u.error : `Sending ${u.file.name ?? 'a photograph'}…`}</span>
      {failed && (
        <span className="row gap-6 one-line">
          <Button onClick={() => onAgain(u.id)}>Again</Button>
          <Button aria-label={`Forget ${u.file.name ?? 'the photograph'}`} onClick={() => onDrop(u.id)}>
            ×
          </Button>
        </span>
      )}
    </Note>
  );
}
