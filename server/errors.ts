/** A refusal with a status, a code for programs and a sentence for people; `field` names the input at fault. */
export class ServiceError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly field?: string,
  ) {
    super(message);
  }
}

export const notFound = (what: string): ServiceError => new ServiceError(404, 'not-found', `${what} does not exist, or is not yours to see.`);
export const forbidden = (why: string): ServiceError => new ServiceError(403, 'forbidden', why);
export const invalid = (message: string, field?: string): ServiceError => new ServiceError(422, 'invalid', message, field);
