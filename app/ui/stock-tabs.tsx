import * as wording from '../../words/screens/parts';
import { useLocation } from 'react-router';
import { NavTabs } from './nav-tabs';

/** The drawers of the stock. */
export const StockTabs = () => (
  <NavTabs
    className="tabs p-0"
    label={wording.stock}
    here={useLocation().pathname}
    tabs={[
      { to: '/stock', name: 'Parts' },
      { to: '/stock/spares', name: wording.sparesBox },
      { to: '/stock/stencils', name: wording.stencils },
      { to: '/stock/glues', name: wording.glues },
    ]}
  />
);
