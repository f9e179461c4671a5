import type { Experience } from '../diagnose/fault';
import type { EarlierJob } from './earlier-job';

/** What finding a fault takes beside the job: what finished jobs have shown, and the device's own past. */
export interface FaultPage {
  experience: Experience;
  earlier: EarlierJob[];
}
