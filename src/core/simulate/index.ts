export { applyChanges, practiceChanges, type RigChange } from './changes';
export { findPracticeFault, practiceFaults, soundFaults } from './faults';
export { type BenchComplaint, benchGap } from './gap';
export { measureRig, rateOf } from './measure';
export { play } from './play';
export { rigFromCard } from './rig-from-card';
export * from './types';
