import { useEffect, useRef, useState } from 'react';
import { pictureFigures, spotsOf } from '../../../../core/signals/picture';
import * as wording from '../../../../words/screens/device';
import type { ProbeProps, Taken } from '../taken';
import { BigButton } from '../big-button';

type Camera = Extract<Taken, { kind: 'cameras' }>['each'][number];
const sides: Partial<Record<string, 'environment' | 'user'>> = {
  cameras: 'environment',
  'front-camera': 'user',
};
const front = /front|user|selfie/i;
/** Pictures are looked at in this width, points. */
const width = 640;

/** The cameras of one side: all that the browser lists, those that say so by their name; where none does, the side is asked for. */
async function listed(fn: string): Promise<MediaTrackConstraints[]> {
  const side = sides[fn]!;
  const probe = await navigator.mediaDevices.getUserMedia({ video: { facingMode: side } });
  for (const track of probe.getTracks()) track.stop();
  const all = (await navigator.mediaDevices.enumerateDevices()).filter((d) => d.kind === 'videoinput');
  const named = all.some((d) => front.test(d.label));
  if (!named) return [{ facingMode: side }];
  return all
    .filter((d) => front.test(d.label) === (side === 'user'))
    .map((d) => ({ deviceId: { exact: d.deviceId } }));
}

/** Each camera is held at something printed and at a plain sheet: how sharp it is, and what lies on it. */
export function Cameras({ check, onTaken, onCannot }: ProbeProps) {
  const video = useRef<HTMLVideoElement>(null);
  const [cameras, setCameras] = useState<MediaTrackConstraints[]>();
  const [at, setAt] = useState(0);
  const [print, setPrint] = useState<Omit<Camera, 'spots'>>();
  const [busy, setBusy] = useState(false);
  const done = useRef<Camera[]>([]);
  useEffect(() => {
    void listed(check.function).then(setCameras, onCannot);
  }, [check.function, onCannot]);
  const camera = cameras?.[at];
  useEffect(() => {
    if (!camera) return;
    let stream: MediaStream | undefined;
    let gone = false;
    void navigator.mediaDevices
      .getUserMedia({ video: { ...camera, width: { ideal: 1280 } } })
      .then((s) => {
        stream = s;
        if (gone) for (const t of s.getTracks()) t.stop();
        else if (video.current) video.current.srcObject = s;
      })
      .catch(onCannot);
    return () => {
      gone = true;
      for (const t of stream?.getTracks() ?? []) t.stop();
    };
  }, [camera, onCannot]);
  const take = async () => {
    const v = video.current;
    if (!v?.videoWidth) return;
    setBusy(true);
    if (!print) {
      const framesS = await framesASecond(v);
      const { sharpness, brightness, cast } = pictureFigures(still(v));
      const track = (v.srcObject as MediaStream).getVideoTracks()[0];
      setPrint({ label: (track?.label ?? '').slice(0, 100), sharpness, brightness, cast, framesS });
    } else {
      done.current.push({ ...print, spots: Math.min(1000, spotsOf(still(v)).length) });
      if (at + 1 < cameras!.length) {
        setPrint(undefined);
        setAt(at + 1);
      } else onTaken({ kind: 'cameras', each: done.current });
    }
    setBusy(false);
  };
  return (
    <>
      <section className="ask">
        <h1>{print ? wording.aimAtSheet : wording.aimAtPrint}</h1>
        {cameras && cameras.length > 1 && <p>{wording.camera(at + 1, cameras.length)}</p>}
      </section>
      <video ref={video} className="seen" autoPlay muted playsInline />
      <footer>
        <BigButton tone="go" disabled={busy || !cameras} onClick={() => void take()}>
          {busy ? wording.measuring : `${wording.take} ›`}
        </BigButton>
      </footer>
    </>
  );
}
function still(video: HTMLVideoElement): ImageData {
  const canvas = document.createElement('canvas');
  canvas.width = Math.min(width, video.videoWidth);
  canvas.height = Math.round((canvas.width * video.videoHeight) / video.videoWidth);
  const ink = canvas.getContext('2d', { willReadFrequently: true })!;
  ink.drawImage(video, 0, 0, canvas.width, canvas.height);
  return ink.getImageData(0, 0, canvas.width, canvas.height);
}
/** Frames that come in a second; 0 where the browser does not say. */
function framesASecond(video: HTMLVideoElement): Promise<number> {
  if (!video.requestVideoFrameCallback) return Promise.resolve(0);
  let frames = 0;
  let on = true;
  const count = () => {
    frames++;
    if (on) video.requestVideoFrameCallback(count);
  };
  video.requestVideoFrameCallback(count);
  return new Promise((resolve) =>
    setTimeout(() => {
      on = false;
      resolve(frames);
    }, 1000),
  );
}
