export function say(text: string): void;
export class Advice extends Error {}
export function run(main: () => Promise<void>): Promise<void>;
