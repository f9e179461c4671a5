import * as wording from '../../words/screens/signature-pad';
import { Button } from 'antd';
import { useEffect, useRef } from 'react';
import type Pad from 'signature_pad';

export type Strokes = [number, number][][];
/** Strokes are kept in a box of this size, whatever the screen. */
const box = { w: 600, h: 200 };
const most = { strokes: 80, points: 2000 };

type Drawn = ReturnType<Pad['toData']>;
const strokesOf = (drawn: Drawn, el: HTMLCanvasElement): Strokes => {
  const clamp = (v: number, end: number) => Math.round(Math.min(end, Math.max(0, v)));
  return drawn
    .slice(-most.strokes)
    .map((pointGroup) =>
      pointGroup.points
        .slice(0, most.points)
        .map((basicPoint): [number, number] => [
          clamp((basicPoint.x * box.w) / el.offsetWidth, box.w),
          clamp((basicPoint.y * box.h) / el.offsetHeight, box.h),
        ]),
    );
};

/** A box to sign in with finger, pen or mouse. Whoever cannot sign gives the name instead. */
export function SignaturePad({
  strokes,
  onChange,
  label,
}: {
  strokes: Strokes;
  onChange: (s: Strokes) => void;
  label: string;
}) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const pad = useRef<Pad>(undefined);
  const changed = useRef(onChange);
  useEffect(() => {
    changed.current = onChange;
  });
  useEffect(() => {
    const el = canvas.current!;
    let gone = false;
    // only whoever signs needs it
    void import('signature_pad').then(({ default: SignaturePadOf }) => {
      if (gone) return;
      const scale = window.devicePixelRatio || 1;
      el.width = el.offsetWidth * scale;
      el.height = el.offsetHeight * scale;
      el.getContext('2d')!.scale(scale, scale);
      const made = new SignaturePadOf(el, { penColor: getComputedStyle(el).color, minWidth: 1, maxWidth: 3 });
      made.addEventListener('endStroke', () => changed.current(strokesOf(made.toData(), el)));
      pad.current = made;
      el.dataset.ready = 'true';
    });
    return () => {
      gone = true;
      pad.current?.off();
    };
  }, []);
  const given = strokes.length > 0;
  useEffect(() => {
    if (!given) pad.current?.clear();
  }, [given]);
  return (
    <div className="field">
      <div className="spread">
        <span className="label small">{label}</span>
        {given && <Button onClick={() => onChange([])}>{wording.signAgain}</Button>}
      </div>
      <canvas
        ref={canvas}
        className="signature"
        role="img"
        aria-label={given ? wording.signatureGiven : wording.signatureEmpty}
        data-testid="signature"
      />
    </div>
  );
}
