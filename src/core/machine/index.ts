export * from './catalogue';
export { compareParts, type MachinePart, machineParts, type PartChange, type PartKey } from './compare-parts';
export * from './decode-table';
export * from './facts';
export * from './program-percent';
export * from './read-machine';
