import * as wording from '../../../../words/screens/trouble';
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
      <p>{wording.leaveThemWhereTheyFell}</p>
      <div className="row">
        {lying.length > 0 && (
          <Button danger onClick={() => onReport({ type: 'spilled', pieces: lying })}>
            {wording.onTheMatMixedUp(plural(lying.length, 'screw'), lying.length === 1 ? 'is' : 'are')}
          </Button>
        )}
        {mixed > 0 && (
          <LinkButton type="primary" to={`/jobs/${jobId}/sort`}>
            {wording.sortThe(mixed)}
          </LinkButton>
        )}
      </div>
    </>
  );
}
