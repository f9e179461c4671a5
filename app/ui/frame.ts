import { useOutletContext } from 'react-router';
import type { JobLine } from '../../core/wire/job-line';
import type { Who } from '../../core/wire/who';

export interface Frame {
  who: Who;
  /** The open devices, as they are now. */
  openJobs: JobLine[];
}
/** What the workshop's frame has for the screen inside it. */
export const useFrame = () => useOutletContext<Frame>();
