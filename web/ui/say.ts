import { createStore } from 'zustand/vanilla';

/** Words that are said in passing, until what shows them has taken them. */
export interface Said {
  readonly words: string;
  /** Something went wrong. */
  readonly wrong: boolean;
}

export const said = createStore<{ readonly waiting: readonly Said[] }>(() => ({ waiting: [] }));

const add = (next: Said): void => said.setState(({ waiting }) => ({ waiting: [...waiting, next] }));

/** Says in passing what happened. */
export const say = (words: string): void => add({ words, wrong: false });
export const sayWrong = (words: string): void => add({ words, wrong: true });

/** Gives what waits to be said, once. */
export function takeSaid(): readonly Said[] {
  const { waiting } = said.getState();
  if (waiting.length > 0) said.setState({ waiting: [] });
  return waiting;
}
