import { useEffect, useRef } from 'react';
import type { JobLine } from '../../core/wire/job-line';
import { preferences } from '../ui/preferences';
import { takeOnce } from './outbox';

/**
 * What runs by itself ends with a sound and a notification, once in a browser whatever number of tabs is open, and also
 * right after a reload. What ended longer ago than this was heard by nobody and is only shown, ms.
 */
const stillNewsMs = 10 * 60_000;
/** Three short tones that rise: heard over extraction, not taken for a fire alarm. */
function ring(): void {
  try {
    const audio = new AudioContext();
    for (const [k, hz] of [660, 880, 1100].entries()) {
      const tone = audio.createOscillator();
      const level = audio.createGain();
      tone.frequency.value = hz;
      level.gain.setValueAtTime(0.0001, audio.currentTime + k * 0.22);
      level.gain.exponentialRampToValueAtTime(0.3, audio.currentTime + k * 0.22 + 0.02);
      level.gain.exponentialRampToValueAtTime(0.0001, audio.currentTime + k * 0.22 + 0.2);
      tone.connect(level).connect(audio.destination);
      tone.start(audio.currentTime + k * 0.22);
      tone.stop(audio.currentTime + k * 0.22 + 0.21);
    }
    setTimeout(() => void audio.close(), 1500);
  } catch {
    /* no sound here */
  }
}

/** Rings again and again while something must be stopped at once; the sound setting of the bench does not silence it. */
export function useAlarmWhile(on: boolean): void {
  useEffect(() => {
    if (!on) return;
    ring();
    const again = setInterval(ring, 2500);
    return () => clearInterval(again);
  }, [on]);
}

/** Rings for every open device whose timer has run out. @param text what the notification says of a job */
export function useAlarms(jobs: readonly JobLine[], now: number, text: (j: JobLine) => string): void {
  const rung = useRef(new Set<string>());
  useEffect(() => {
    for (const j of jobs) {
      const run = j.summary.running;
      if (!now || !run || run.until > now || now - run.until > stillNewsMs) continue;
      const id = `${j.id} ${run.what} ${run.until}`;
      if (rung.current.has(id)) continue;
      rung.current.add(id);
      void takeOnce(id, now).then((mine) => {
        if (!mine) return;
        document.dispatchEvent(new CustomEvent('snavek-rung', { detail: id }));
        if (preferences().sound) ring();
        if ('Notification' in window && Notification.permission === 'granted')
          new Notification('Snavek', { body: text(j), tag: id });
      });
    }
  }, [jobs, now, text]);
}
