import type { Application } from '../../scripts/setup/application.mjs';

export interface Nodes {
  /** Of the application's database on each node. */
  readonly urls: readonly string[];
  /** Ends a node at once. */
  kill(node: number): Promise<void>;
  /** Starts a node again, and waits until it has what it missed. */
  start(node: number): Promise<void>;
  stop(): Promise<void>;
}

export function startNodes(folder: string): Promise<Nodes>;
export function startNginx(folder: string, ports: readonly number[]): Promise<{ readonly base: string; stop(): Promise<void> }>;
/** A process of the application on a node of the database. */
export function startOnNode(url: string, files: string): Promise<Application>;
