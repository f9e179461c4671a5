import { StrictMode } from 'react';
import { hydrateRoot } from 'react-dom/client';
import { dataId, rootId } from './alone-ids';
import { Device, type DeviceData } from './round';

/** The page on a repaired phone wakes up: one script, without the router and the workshop's screens. */
const given = JSON.parse(document.getElementById(dataId)!.textContent!) as DeviceData;
hydrateRoot(
  document.getElementById(rootId)!,
  <StrictMode>
    <Device {...given} />
  </StrictMode>,
);
