import * as wording from '../../words/screens/parts';
import { Tag } from 'antd';
import { type JobScreenPath, jobScreens } from '../screens';
import { NavTabs } from './nav-tabs';

/** The screens of one job, which device it is and what is wrong with it. */
export function JobTabs({
  id,
  here,
  title,
  conditions = [],
}: {
  id: string;
  here: JobScreenPath;
  title: string;
  conditions?: string[];
}) {
  const to = (path: string) => `/jobs/${id}/${path}`;
  const screen = jobScreens.find((s) => s.path === here);
  return (
    <NavTabs
      className="tabs noprint"
      label={wording.thisJob}
      tabs={jobScreens.flatMap((s) => ('tab' in s ? [{ to: to(s.path), name: s.tab }] : []))}
      here={to(screen && 'within' in screen ? screen.within : here)}
    >
      <span className="title" title={title}>
        {conditions.map((c) => (
          <Tag key={c} color="error" className="after-8">
            {c}
          </Tag>
        ))}
        {title}
      </span>
    </NavTabs>
  );
}
