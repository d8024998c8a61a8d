export * from './catalogue';
export * from './facts';
export * from './program-percent';
export * from './read-machine';
