import type { Provenance, Released } from '../log/events';
import type { SpareScrew } from '../screws/substitutes';

/** What a part is: as it came into the drawer. */
export interface NewPart {
  name: string;
  kind: string;
  modelId: string;
  slot: string;
  provenance: Provenance;
  supplier: string;
  lot: string;
  serial: string;
  priceMinor: number;
  arrivesWith: string[];
  released: Released;
  proof: string;
}
/** A part in the drawer, or chosen for a job, or used up by one. */
export interface StockPart extends NewPart {
  id: string;
  jobId: string | null;
  jobNumber: number | null;
  jobEnding: string | null;
}
/** A model that parts can be for, with its places: what a drawer is named by. */
export interface StockModel {
  id: string;
  name: string;
  slots: { id: string; name: string; kind: string; price: number }[];
  /** What a new part may bring fitted beside pieces. */
  seals: { id: string; name: string; holds: string[] }[];
}
/** The spares box: loose screws by drive, thread, length and head, with how many there are. */
export interface SpareRow extends SpareScrew {
  note: string;
}
