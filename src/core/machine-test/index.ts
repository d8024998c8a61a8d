export { concludeMachineTest, isDisturbed, slowsUnderLoad } from './conclude';
export { runKernel } from './kernel';
export type { MachineProgress, MachineRuns, MachineTest, MachineTestFailure, StorageRates } from './types';
