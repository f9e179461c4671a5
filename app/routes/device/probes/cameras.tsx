import { useEffect, useRef, useState } from 'react';
import { pictureFigures, spotsOf } from '../../../../core/signals/picture';
import * as wording from '../../../../words/screens/device';
import type { ProbeProps, Taken } from '../taken';
import { BigButton } from '../big-button';
import { mostPictures } from '../../../../core/wire/device-page';
import { framesASecond, kept, lit, moved, stillOf } from './camera-track';

type Camera = Extract<Taken, { kind: 'cameras' }>['each'][number];
const sides: Partial<Record<string, 'environment' | 'user'>> = {
  cameras: 'environment',
  'front-camera': 'user',
};
const front = /front|user|selfie/i;
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

/** What is held before a camera, one after another. */
const scenes = ['print', 'far', 'sheet'] as const;
const aims = { print: wording.aimAtPrint, far: wording.aimFar, sheet: wording.aimAtSheet };

/** What one camera shows of a scene, and the picture of it that is kept. */
async function lookedAt(
  scene: (typeof scenes)[number],
  video: HTMLVideoElement,
): Promise<{ figures: Partial<Camera>; picture: string | undefined }> {
  const [track] = (video.srcObject as MediaStream).getVideoTracks();
  if (scene === 'print') {
    const framesS = await framesASecond(video);
    const { canvas, picture } = stillOf(video);
    const { sharpness, brightness, cast } = pictureFigures(picture);
    const label = (track?.label ?? '').slice(0, 100);
    return {
      figures: { label, sharpness, brightness, cast, framesS, ...(track ? await moved(track, video) : {}) },
      picture: kept(canvas),
    };
  }
  const { canvas, picture } = stillOf(video);
  if (scene === 'far') return { figures: { far: pictureFigures(picture).sharpness }, picture: undefined };
  const spots = spotsOf(picture);
  return {
    figures: { spots: Math.min(1000, spots.length), ...(track ? await lit(track, video) : {}) },
    picture: spots.length ? kept(canvas, spots) : undefined,
  };
}

/** Each camera is held at something printed, at something far away and at a plain sheet: how sharp it is, what it moves, and what lies on it. */
export function Cameras({ check, onTaken, onCannot }: ProbeProps) {
  const video = useRef<HTMLVideoElement>(null);
  const [cameras, setCameras] = useState<MediaTrackConstraints[]>();
  const [at, setAt] = useState(0);
  const [scene, setScene] = useState(0);
  const [busy, setBusy] = useState(false);
  // a press before the first picture would take nothing
  const [seen, setSeen] = useState(false);
  const done = useRef<Partial<Camera>[]>([]);
  const pictures = useRef<string[]>([]);
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
      setSeen(false);
    };
  }, [camera, onCannot]);
  const take = async () => {
    const v = video.current;
    if (!v?.videoWidth) return;
    setBusy(true);
    const { figures, picture } = await lookedAt(scenes[scene]!, v);
    done.current[at] = { ...done.current[at], ...figures };
    if (picture) pictures.current.push(picture);
    if (scene + 1 < scenes.length) setScene(scene + 1);
    else if (at + 1 < cameras!.length) {
      setScene(0);
      setAt(at + 1);
    } else
      onTaken({ kind: 'cameras', each: done.current as Camera[] }, pictures.current.slice(0, mostPictures));
    setBusy(false);
  };
  return (
    <>
      <section className="ask">
        <h1>{aims[scenes[scene]!]}</h1>
        {cameras && cameras.length > 1 && <p>{wording.camera(at + 1, cameras.length)}</p>}
      </section>
      <video ref={video} className="seen" autoPlay muted playsInline onLoadedData={() => setSeen(true)} />
      <footer>
        <BigButton tone="go" disabled={busy || !seen} onClick={() => void take()}>
          {busy ? wording.measuring : `${wording.take} ›`}
        </BigButton>
      </footer>
    </>
  );
}
