import { afterAll, beforeAll, beforeEach } from 'vitest';
import { openTestService, type School, school, type TestService } from './testService';

/** A service of its own for the tests of a file; there from their first hook on. */
export function useService(): TestService {
  const service = {} as TestService;
  beforeAll(async () => void Object.assign(service, await openTestService()));
  afterAll(() => service.close());
  return service;
}

/** The same with a school: a new one for each test, or one for all of them. */
export function useSchool(of: 'each' | 'all' = 'each'): { readonly service: TestService; readonly s: School } {
  const service = useService();
  const s = {} as School;
  (of === 'each' ? beforeEach : beforeAll)(async () => void Object.assign(s, await school(service)));
  return { service, s };
}
