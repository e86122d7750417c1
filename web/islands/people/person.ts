import type { Named } from '@web/ui/named';

/** A person as lists get them. */
export interface PersonLine extends Named {
  readonly signIn: string;
  readonly role: 'lead' | 'instructor' | 'trainee';
  readonly deactivated: boolean;
  readonly groups: readonly Named[];
  /** ISO 8601; null: nothing handed in yet. */
  readonly lastAt: string | null;
}
