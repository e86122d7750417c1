import { FormatError } from '../formatError';

/** What a reader says of a text: the words of its refusal, or "read". Any other error is a fault of the reader. */
export const said =
  (read: (text: string) => unknown) =>
  (text: string): string => {
    try {
      read(text);
      return 'read';
    } catch (error) {
      if (!(error instanceof FormatError)) throw error;
      return error.message;
    }
  };
