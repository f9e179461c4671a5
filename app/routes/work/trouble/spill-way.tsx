import { Button } from 'antd';
import { plural } from '../../../../words/things';
import type { WayProps } from './way';
import { LinkButton } from '../../../ui/link-button';

/** The screws of a mat in one heap: they are mixed until each has been measured. */
export function SpillWay({ state, jobId, onReport }: WayProps) {
  const lying = Object.keys(state.place).filter((x) => state.place[x]!.startsWith('mat/'));
  const mixed = Object.values(state.place).filter((at) => at === 'mixed').length;
  return (
    <>
      <p>
        Leave them where they fell and take them up with a magnet. Each is measured once; the lengths tell
        which hole it is from.
      </p>
      <div className="row">
        {lying.length > 0 && (
          <Button
            danger
            onClick={() => onReport({ type: 'spilled', pieces: lying })}
          >{`${plural(lying.length, 'screw')} on the mat ${lying.length === 1 ? 'is' : 'are'} mixed up`}</Button>
        )}
        {mixed > 0 && (
          <LinkButton type="primary" to={`/jobs/${jobId}/sort`}>{`Sort the ${mixed}`}</LinkButton>
        )}
      </div>
    </>
  );
}
