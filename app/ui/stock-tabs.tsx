import { NavLink } from 'react-router';

/** The two drawers of the stock. */
export const StockTabs = () => (
  <nav className="tabs p-0" aria-label="Stock">
    <NavLink to="/stock" end>
      Parts
    </NavLink>
    <NavLink to="/stock/spares">Spares box</NavLink>
  </nav>
);
