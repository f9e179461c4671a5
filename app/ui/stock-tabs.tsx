import { NavLink } from 'react-router';

/** The two drawers of the stock. */
export const StockTabs = () => (
  <nav className="tabs" aria-label="Stock" style={{ padding: 0 }}>
    <NavLink to="/stock" end>
      Parts
    </NavLink>
    <NavLink to="/stock/spares">Spares box</NavLink>
  </nav>
);
