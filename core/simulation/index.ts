/** Simulated learners and devices, seeded. */
export * from './minimumJerkPath';
export * from './simulateAttempt';
export * from './simulatePuck';
export * from './slipping';
