/** Simulated learners and devices, seeded. */
export * from './simulateAttempt';
export * from './simulatePuck';
