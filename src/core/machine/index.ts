export * from './catalogue';
export * from './decode-table';
export * from './facts';
export * from './program-percent';
export * from './read-machine';
