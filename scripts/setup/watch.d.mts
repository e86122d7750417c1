export interface Begun {
  readonly ended: Promise<string>;
  stop(): Promise<void>;
}

export function keepRunning(name: string, start: () => Promise<Begun>, say: (text: string) => void, longest?: number): Promise<{ stop(): Promise<void> }>;
