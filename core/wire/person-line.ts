import type { Role } from '../vocabulary/roles';

export interface PersonLine {
  id: string;
  login: string;
  name: string;
  role: Role;
  bench: string;
  /** Has not chosen a password yet: the link is still with them. */
  waits?: boolean;
}
